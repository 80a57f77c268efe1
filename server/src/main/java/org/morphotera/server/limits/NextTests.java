package org.morphotera.server.limits;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.NextTest;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.score.DepthBand;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.text.Messages;
import org.morphotera.server.fields.Field;
import org.springframework.stereotype.Component;

/** Which tests would tell most of what limits a field. */
@Component
public class NextTests {

    private static final int OFFERED = 3;

    /** @param band code of the depth band in which it is usually made */
    public record NextTestView(String method, String title, int minutes, double gainBits, String reason, String band) {}

    private final EvidenceTables tables;
    private final MethodRegistry methods;
    private final Messages messages;

    NextTests(EvidenceTables tables, MethodRegistry methods, Messages messages) {
        this.tables = tables;
        this.methods = methods;
        this.messages = messages;
    }

    /** The best few, the best first; none where no test could change what is named. */
    public List<NextTestView> of(Field field, Map<String, Found> findings) {
        return NextTest.ranked(findings, methods, Coded.find(LandUse.values(), field.landUse()), tables).stream()
                .limit(OFFERED)
                .map(offer -> {
                    String title = messages.text(offer.method() + ".title");
                    List<DepthLayer> layers = methods.get(offer.method()).layers();
                    DepthBand band = DepthBand.ofMiddle(layer(layers, offer.finding()));
                    return new NextTestView(
                            offer.method(),
                            title,
                            offer.minutes(),
                            offer.gainBits(),
                            reason(title, offer),
                            band.code());
                })
                .toList();
    }

    /** The layer in which a finding is read; {@code null} above the ground. */
    private static @Nullable DepthLayer layer(List<DepthLayer> layers, String finding) {
        boolean below = finding.startsWith("subsoil") || finding.endsWith("-sub");
        return layers.stream()
                .filter(each -> DepthLayer.isSubsoil(each) == below)
                .findFirst()
                .orElse(layers.isEmpty() ? null : layers.get(0));
    }

    private String reason(String title, NextTest.Offer offer) {
        String finding = messages.text("finding." + offer.finding());
        // a test with one finding of its own name is not told twice
        String code = finding.equals(title) ? "next.reason-itself" : "next.reason";
        return messages.text(
                List.of(code),
                Map.of(
                        "title",
                        title,
                        "minutes",
                        offer.minutes(),
                        "constraint",
                        lower(messages.text("constraint." + offer.constraint().code())),
                        "finding",
                        lower(finding)));
    }

    private static String lower(String label) {
        return label.startsWith("pH") ? label : label.substring(0, 1).toLowerCase(Locale.ROOT) + label.substring(1);
    }
}
