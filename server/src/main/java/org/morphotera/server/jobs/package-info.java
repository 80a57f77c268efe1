/** Work that takes long: begun by a call, done apart, looked at and left and found again; and files sent for it. */
package org.morphotera.server.jobs;
