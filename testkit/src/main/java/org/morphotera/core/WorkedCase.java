package org.morphotera.core;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.morphotera.core.method.MethodRegistry;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.json.JsonMapper;

/**
 * One worked case of a method: readings and context in, what must come out. Compares with any answer in the form of
 * the API, wherever it was worked out: on the JVM, in the page build, over HTTP.
 */
public record WorkedCase(
        String method,
        String name,
        Map<String, Object> body,
        Map<String, Object> expect,
        List<Map<String, Object>> expectErrors,
        Map<String, Map<String, Object>> tolerance) {

    public static final ObjectMapper JSON = JsonMapper.builder().build();

    /** Every worked case of every method that there is. */
    public static List<WorkedCase> all() {
        List<WorkedCase> cases = new ArrayList<>();
        Methods.all().all().forEach(method -> cases.addAll(of(method.card().id())));
        return cases;
    }

    /** The worked cases of the calculators that have some. */
    public static List<WorkedCase> plans() {
        return Stream.of(
                        "lime",
                        "sulfur",
                        "gypsum",
                        "leaching",
                        "organic-matter",
                        "drain-spacing",
                        "rain-garden",
                        "irrigation",
                        "day-plan",
                        "sampling-windows",
                        "composite",
                        "agreement",
                        "field-model")
                .flatMap(id -> of(id).stream())
                .toList();
    }

    /** Cases of a method lie beside its texts, those of a calculator in a folder of their own. */
    private static String path(MethodRegistry methods, String id) {
        return methods.has(id)
                ? "/org/morphotera/core/method/" + methods.get(id).card().folder() + "/cases.json"
                : "/cases/" + id + ".json";
    }

    public static List<WorkedCase> of(String method) {
        return of(Methods.all(), method);
    }

    @SuppressWarnings("unchecked")
    static List<WorkedCase> of(MethodRegistry methods, String method) {
        List<Map<String, Object>> raw = JSON.readValue(CoreData.resource(path(methods, method)), List.class);
        List<WorkedCase> cases = new ArrayList<>();
        for (Map<String, Object> each : raw) {
            Map<String, Object> body = new LinkedHashMap<>();
            if (each.containsKey("inputs")) {
                body.put("inputs", each.get("inputs"));
            } else {
                body.put("readings", each.get("readings"));
                body.put("context", each.getOrDefault("context", Map.of()));
            }
            cases.add(new WorkedCase(
                    method,
                    (String) each.get("name"),
                    body,
                    (Map<String, Object>) each.get("expect"),
                    (List<Map<String, Object>>) each.get("expectErrors"),
                    (Map<String, Map<String, Object>>) each.getOrDefault("tolerance", Map.of())));
        }
        return cases;
    }

    public String bodyJson() {
        return JSON.writeValueAsString(body);
    }

    /** What is wrong with an answer; empty when it is as it must be. */
    @SuppressWarnings("unchecked")
    public List<String> misses(Map<String, Object> answer) {
        List<String> misses = new ArrayList<>();
        if (expectErrors != null) {
            List<Map<String, Object>> errors = (List<Map<String, Object>>) answer.get("errors");
            for (Map<String, Object> expected : expectErrors) {
                String path = (String) expected.get("field");
                if (errors == null || errors.stream().noneMatch(error -> related(path, (String) error.get("field")))) {
                    misses.add("no fault at " + path + " but " + errors);
                }
            }
            return misses;
        }
        if (answer.get("errors") != null) {
            return List.of("refused: " + answer.get("errors"));
        }
        compareFigures((Map<String, Object>) answer.get("values"), misses);
        compareClasses((Map<String, Object>) answer.get("classes"), misses);
        compareNotes((List<Map<String, Object>>) answer.get("notes"), misses);
        compareAbsentNotes((List<Map<String, Object>>) answer.get("notes"), misses);
        compareStandings((List<Map<String, Object>>) answer.get("ratings"), misses);
        compareSeries((Map<String, Object>) answer.get("series"), misses);
        return misses;
    }

    private static boolean related(String expected, String found) {
        return found.equals(expected)
                || expected.isEmpty()
                || found.isEmpty()
                || found.startsWith(expected + ".")
                || found.startsWith(expected + "[")
                || expected.startsWith(found + ".")
                || expected.startsWith(found + "[");
    }

    @SuppressWarnings("unchecked")
    private void compareFigures(Map<String, Object> values, List<String> misses) {
        part("values").forEach((name, wanted) -> {
            Map<String, Object> figure = (Map<String, Object>) values.get(name);
            if (figure == null) {
                misses.add("no value " + name);
            } else {
                compare(name, (Number) wanted, figure.get("value"), misses);
            }
        });
        part("lowHigh").forEach((name, wanted) -> {
            Map<String, Object> figure = (Map<String, Object>) values.get(name);
            if (figure == null) {
                misses.add("no value " + name);
            } else {
                end(name + " low", wanted, 0, "low", figure, misses);
                end(name + " high", wanted, 1, "high", figure, misses);
            }
        });
    }

    /** An interval is written {@code [low, high]} or {@code {"low": …, "high": …}}, either end left out. */
    private void end(String name, Object ends, int index, String key, Map<String, Object> figure, List<String> misses) {
        Object wanted = ends instanceof Map<?, ?> map ? map.get(key) : ((List<?>) ends).get(index);
        if (wanted != null) {
            compare(name, (Number) wanted, figure.get(key), misses);
        }
    }

    private void compare(String name, Number wanted, Object found, List<String> misses) {
        String own = name.split(" ")[0];
        double x = wanted.doubleValue();
        Map<String, Object> given = tolerance.getOrDefault(own, Map.of());
        double relative = ((Number) given.getOrDefault("rel", given.isEmpty() ? 0.005 : 0.0)).doubleValue();
        double absolute = ((Number) given.getOrDefault("abs", given.isEmpty() ? 0.01 : 0.0)).doubleValue();
        double slack = Math.max(relative * Math.abs(x), absolute);
        if (!(found instanceof Number number) || Math.abs(number.doubleValue() - x) > slack) {
            misses.add(name + " should be " + wanted + ", is " + found);
        }
    }

    private void compareClasses(Map<String, Object> classes, List<String> misses) {
        part("classes").forEach((name, wanted) -> {
            Object found = classes.get(name);
            boolean same = wanted instanceof List<?> list
                    ? found instanceof List<?> other && sorted(list).equals(sorted(other))
                    : wanted.equals(found);
            if (!same) {
                misses.add("class " + name + " should be " + wanted + ", is " + found);
            }
        });
    }

    private static TreeSet<String> sorted(List<?> list) {
        TreeSet<String> sorted = new TreeSet<>();
        list.forEach(item -> sorted.add(String.valueOf(item)));
        return sorted;
    }

    private void compareNotes(List<Map<String, Object>> notes, List<String> misses) {
        List<?> wanted = (List<?>) expect.getOrDefault("notes", List.of());
        for (Object code : wanted) {
            if (notes.stream().noneMatch(note -> code.equals(note.get("code")))) {
                misses.add("no note " + code);
            }
        }
    }

    private void compareAbsentNotes(List<Map<String, Object>> notes, List<String> misses) {
        for (Object code : (List<?>) expect.getOrDefault("absentNotes", List.of())) {
            if (notes.stream().anyMatch(note -> code.equals(note.get("code")))) {
                misses.add("note " + code + " should be absent");
            }
        }
    }

    private void compareStandings(List<Map<String, Object>> ratings, List<String> misses) {
        part("standing").forEach((indicator, wanted) -> {
            Map<String, Object> rating = ratings.stream()
                    .filter(each -> indicator.equals(each.get("indicator")) && "standing".equals(each.get("school")))
                    .findFirst()
                    .orElse(null);
            if (wanted == null || rating == null) {
                if (wanted != null || rating != null) {
                    misses.add("standing of " + indicator + " should be " + wanted + ", rating is " + rating);
                }
            } else if (Math.abs(((Number) rating.get("standing")).doubleValue() - ((Number) wanted).doubleValue())
                    > 0.01) {
                misses.add("standing of " + indicator + " should be " + wanted + ", is " + rating.get("standing"));
            }
        });
    }

    /** By the keys that the case shows: lists in order, only {@code why} in any; {@code null} is absent. */
    private void compareSeries(Map<String, Object> series, List<String> misses) {
        part("series").forEach((name, wanted) -> compareTree(name, wanted, series.get(name), misses));
    }

    private void compareTree(String at, Object wanted, Object found, List<String> misses) {
        if (wanted instanceof Map<?, ?> map) {
            Map<?, ?> other = found instanceof Map<?, ?> tree ? tree : Map.of();
            map.forEach((key, value) -> compareTree(at + "." + key, value, other.get(key), misses));
        } else if (wanted instanceof List<?> list) {
            List<?> other = found instanceof List<?> rows ? rows : List.of();
            if (other.size() != list.size()) {
                misses.add(at + " should have " + list.size() + " rows, has " + other.size());
            } else if (at.endsWith(".why")) {
                compareTree(at + "*", List.copyOf(sorted(list)), List.copyOf(sorted(other)), misses);
            } else {
                for (int i = 0; i < list.size(); i++) {
                    compareTree(at + "[" + i + "]", list.get(i), other.get(i), misses);
                }
            }
        } else if (wanted instanceof Number number) {
            compare(at, number, found instanceof Map<?, ?> figure ? figure.get("value") : found, misses);
        } else if (wanted == null ? found != null : !wanted.equals(found)) {
            misses.add(at + " should be " + wanted + ", is " + found);
        }
    }

    @SuppressWarnings("unchecked")
    private Map<String, Object> part(String name) {
        return (Map<String, Object>) expect.getOrDefault(name, Map.of());
    }

    @Override
    public String toString() {
        return method + ": " + name;
    }
}
