package org.morphotera.core.photo;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Inputs;

/** All readings from pictures. */
public final class PhotoReadings {

    private final Map<String, PhotoReading<?>> kinds = new LinkedHashMap<>();

    /** @param known each of a kind of its own */
    public PhotoReadings(List<PhotoReading<?>> known) {
        known.forEach(each -> kinds.put(each.kind(), each));
    }

    /** All of them. */
    public List<PhotoReading<?>> all() {
        return List.copyOf(kinds.values());
    }

    /** The one of a kind; {@code null} when there is none. */
    public PhotoReading<?> of(String kind) {
        return kinds.get(kind);
    }

    /**
     * Looks at pictures.
     *
     * @param inputs a plain tree
     * @param pictures in the order of the kind's names
     * @throws IllegalArgumentException when there is no such kind
     */
    public PhotoReading.Answer propose(String kind, Object inputs, List<Picture> pictures) {
        PhotoReading<?> reading = kinds.get(kind);
        if (reading == null || pictures.size() != reading.pictures().size()) {
            throw new IllegalArgumentException("no reading " + kind + " of " + pictures.size() + " pictures");
        }
        return propose(reading, inputs, pictures);
    }

    private static <R extends Record> PhotoReading.Answer propose(
            PhotoReading<R> reading, Object inputs, List<Picture> pictures) {
        Faults faults = new Faults();
        R read = Inputs.parse(inputs, reading::read, (given, into) -> {}, faults);
        List<Fault> found = new ArrayList<>(faults.found());
        for (int i = 0; i < pictures.size(); i++) {
            String fault = pictures.get(i).fault();
            if (fault != null) {
                found.add(new Fault(reading.pictures().get(i), fault, Map.of()));
            }
        }
        return found.isEmpty() ? reading.propose(read, pictures) : new PhotoReading.Answer.Refused(found);
    }
}
