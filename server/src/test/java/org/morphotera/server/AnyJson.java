package org.morphotera.server;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Makes up any JSON, with names that methods use among others. */
public final class AnyJson {

    public static final int DEEPEST = 4;

    private static final String[] NAMES = {
        "readings", "context", "mode", "points", "layers", "blocks", "value", "score", "key", "textureClass", "a", ""
    };
    private static final Object[] LEAVES = {
        null, true, false, 0, -1, 1e300, 0.1, 2_147_483_648L, "", "ribbon", "stepped", "loam", "\u0000", "ü"
    };

    private AnyJson() {}

    public static Object of(Random random, int depth) {
        int kind = depth == 0 ? 2 : random.nextInt(4);
        if (kind == 0) {
            Map<String, Object> map = new LinkedHashMap<>();
            for (int i = random.nextInt(5); i > 0; i--) {
                map.put(NAMES[random.nextInt(NAMES.length)], of(random, depth - 1));
            }
            return map;
        }
        if (kind == 1) {
            List<Object> list = new ArrayList<>();
            for (int i = random.nextInt(5); i > 0; i--) {
                list.add(of(random, depth - 1));
            }
            return list;
        }
        return LEAVES[random.nextInt(LEAVES.length)];
    }
}
