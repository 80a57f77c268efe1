/** Methods that read the soil's chemistry: acidity, lime, salt, nutrients, laboratory results. */
package org.morphotera.core.method.chemistry;
