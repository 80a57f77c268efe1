package org.morphotera.core.method.block.smell;

import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.SightingList;
import org.morphotera.core.method.block.ScoredBySight;

/** What the fresh block smells of: 0 to 2 in halves. */
public final class Smell extends ScoredBySight {

    /** A minute of work. */
    public Smell() {
        super("smell", 1);
    }

    @Override
    public Evidence<Readings> evidence() {
        return (readings, envelope, layer) ->
                new SightingList(envelope).figure("smell", "score").list();
    }
}
