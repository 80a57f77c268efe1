/** What a calculator is, and how a request to one is read and answered. */
package org.morphotera.core.calculator;
