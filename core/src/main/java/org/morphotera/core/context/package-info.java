/** What is known of a place and a day when a test is made there: one rule for server and page. */
package org.morphotera.core.context;
