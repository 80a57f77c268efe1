package org.morphotera.browser;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;
import org.teavm.jso.core.JSArray;
import org.teavm.jso.core.JSBoolean;
import org.teavm.jso.core.JSNumber;
import org.teavm.jso.core.JSString;

/** Between JSON text and plain trees of maps, lists, numbers, texts and booleans, by the page's own JSON. */
final class JsonTree {

    private JsonTree() {}

    static Object parse(String json) {
        return toTree(parseText(json));
    }

    /** Writes a tree; parts that are {@code null} are left out, as the server leaves them out. */
    static String write(Object tree) {
        return stringify(toPage(tree));
    }

    private static Object toTree(JSObject value) {
        switch (kind(value)) {
            case "array" -> {
                int length = length(value);
                List<Object> list = new ArrayList<>(length);
                for (int i = 0; i < length; i++) {
                    list.add(toTree(item(value, i)));
                }
                return list;
            }
            case "object" -> {
                Map<String, Object> map = new LinkedHashMap<>();
                for (String key : keys(value)) {
                    map.put(key, toTree(get(value, key)));
                }
                return map;
            }
            case "number" -> {
                return number(value);
            }
            case "string" -> {
                return text(value);
            }
            case "boolean" -> {
                return flag(value);
            }
            default -> {
                return null;
            }
        }
    }

    private static JSObject toPage(Object tree) {
        if (tree instanceof Map<?, ?> map) {
            JSObject object = newObject();
            for (Map.Entry<?, ?> entry : map.entrySet()) {
                if (entry.getValue() != null) {
                    set(object, (String) entry.getKey(), toPage(entry.getValue()));
                }
            }
            return object;
        }
        if (tree instanceof List<?> list) {
            JSArray<JSObject> array = new JSArray<>();
            for (Object item : list) {
                array.push(toPage(item));
            }
            return array;
        }
        if (tree instanceof Number number) {
            return JSNumber.valueOf(number.doubleValue());
        }
        if (tree instanceof Boolean flag) {
            return JSBoolean.valueOf(flag);
        }
        return tree == null ? null : JSString.valueOf(tree.toString());
    }

    @JSBody(params = "json", script = "return JSON.parse(json);")
    private static native JSObject parseText(String json);

    @JSBody(params = "value", script = "return JSON.stringify(value);")
    private static native String stringify(JSObject value);

    @JSBody(
            params = "value",
            script = "return value === null ? 'null' : Array.isArray(value) ? 'array' : typeof value;")
    private static native String kind(JSObject value);

    @JSBody(params = "value", script = "return Object.keys(value);")
    private static native String[] keys(JSObject value);

    @JSBody(
            params = {"value", "key"},
            script = "return value[key];")
    private static native JSObject get(JSObject value, String key);

    @JSBody(params = "value", script = "return value;")
    private static native double number(JSObject value);

    @JSBody(params = "value", script = "return value;")
    private static native String text(JSObject value);

    @JSBody(params = "value", script = "return value;")
    private static native boolean flag(JSObject value);

    @JSBody(params = "value", script = "return value.length;")
    private static native int length(JSObject value);

    @JSBody(
            params = {"value", "index"},
            script = "return value[index];")
    private static native JSObject item(JSObject value, int index);

    @JSBody(
            params = {"object", "key", "value"},
            script = "object[key] = value;")
    private static native void set(JSObject object, String key, JSObject value);

    @JSBody(script = "return {};")
    private static native JSObject newObject();
}
