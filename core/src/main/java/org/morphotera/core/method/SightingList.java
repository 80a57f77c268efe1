package org.morphotera.core.method;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.result.Envelope;

/** Gathers what an evaluated test shows; what was not worked out or not looked for adds nothing. */
public final class SightingList {

    private final Envelope envelope;
    private final List<Sighting> seen = new ArrayList<>();

    /** @param envelope what the test came to, in texts and figures */
    public SightingList(Envelope envelope) {
        this.envelope = envelope;
    }

    /** The value of a name, if there is one. */
    public SightingList figure(String finding, String value) {
        Envelope.Figure figure = envelope.values().get(value);
        return number(finding, figure == null ? null : Double.valueOf(figure.value()));
    }

    /** A reading or other figure, if it is a number. */
    public SightingList number(String finding, Object figure) {
        if (figure instanceof Number number) {
            seen.add(Sighting.of(finding, number.doubleValue()));
        }
        return this;
    }

    /** The standing of an indicator, if it was rated. */
    public SightingList standing(String finding, String indicator) {
        Envelope.RatingText rating = envelope.standing(indicator);
        return number(finding, rating == null ? null : rating.standing());
    }

    /** A code, if there is one. */
    public SightingList state(String finding, Object state) {
        if (state instanceof String code) {
            seen.add(Sighting.of(finding, code));
        }
        return this;
    }

    /** True or false, if it was said. */
    public SightingList flag(String finding, Object said) {
        if (said instanceof Boolean there) {
            seen.add(Sighting.of(finding, there));
        }
        return this;
    }

    /** What was gathered, in the order of asking. */
    public List<Sighting> list() {
        return List.copyOf(seen);
    }
}
