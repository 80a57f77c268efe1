/** Made-up sample data: the Orrin Levels. Only with the profile {@code demo}, only into an empty database. */
package org.morphotera.server.demo;
