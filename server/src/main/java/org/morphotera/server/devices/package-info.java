/** Instruments that stream their readings into the capture; those that ship are simulated. */
package org.morphotera.server.devices;
