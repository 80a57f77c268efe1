/** Amounts of amendments, water and drains, each worked out from what is entered. */
package org.morphotera.core.plan.calculator;
