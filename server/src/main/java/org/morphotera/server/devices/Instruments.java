package org.morphotera.server.devices;

import org.morphotera.server.fields.Stop;
import org.morphotera.training.simulate.Instrument;

/** Where instruments come from: a real one is another class that implements this. */
public interface Instruments {

    /**
     * An instrument put into the ground.
     *
     * @param simulated nothing real is read
     */
    record Connected(Instrument instrument, boolean simulated) {}

    /** @param depthMm where it is put in; 0 for the surface */
    Connected connect(Instrument.Kind kind, java.util.UUID practice, Stop stop, double depthMm);
}
