/**
 * The one thing of ours below the file database. H2's MVStore takes the newest chunk whose head and foot are right; a
 * disk that was cut from its power in the middle of a write may hold both and not what lies between, and then the file
 * can't be opened, with everything in it. No setting of H2 and no library orders its writes against that, so this package
 * does, as a file system under H2's own interface; nothing else knows of it but the line that opens the database.
 * {@code OrderedFileTest} names the version of H2 whose file format this was tried with: of another version the power
 * cuts ({@code PowerCutTest}, {@code bin/bench durability}) are to be run before the name is changed.
 */
package org.morphotera.server.storage.orderedfile;
