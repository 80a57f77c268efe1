/** What comes of readings: figures, classes, ratings, notes, series and the working, as codes ({@link org.morphotera.core.result.Evaluation}) and with their texts ({@link org.morphotera.core.result.Envelope}); the four levels. */
package org.morphotera.core.result;
