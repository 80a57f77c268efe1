package org.morphotera.core.reading;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.text.Messages;

/**
 * A fault with its text, as it leaves the core.
 *
 * @param message says what is wrong and what to do
 */
public record FaultText(String field, String code, String message) {

    /** Faults in the words of the catalogue, in their order. */
    public static List<FaultText> of(List<Fault> faults, Messages messages) {
        List<FaultText> texts = new ArrayList<>();
        for (Fault fault : faults) {
            texts.add(new FaultText(
                    fault.field(), fault.code(), messages.text(List.of("fault." + fault.code()), fault.args())));
        }
        return texts;
    }
}
