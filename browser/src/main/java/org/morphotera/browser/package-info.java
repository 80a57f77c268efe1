/** The core for the page: JSON text in, JSON text out. Compiled to one ES module. */
package org.morphotera.browser;
