package org.morphotera.core.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.morphotera.core.CoreData;
import org.morphotera.core.DataFiles;
import org.morphotera.core.Methods;
import org.morphotera.core.WorkedCase;

/** Writes the first worked case of each method, with the data files, for the timing of the page build. */
public final class PageTasks {

    private PageTasks() {}

    public static void main(String[] args) throws IOException {
        List<Map<String, String>> tasks = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (WorkedCase worked : WorkedCase.all()) {
            if (worked.expectErrors() == null && seen.add(worked.method())) {
                tasks.add(Map.of("method", worked.method(), "body", worked.bodyJson()));
            }
        }
        Map<String, Object> input = Map.of(
                "benchmarks", CoreData.texts(DataFiles.benchmarks(Methods.all())),
                "messages", CoreData.texts(DataFiles.messages(Methods.all())),
                "tasks", tasks);
        Files.writeString(Path.of(args[0]), WorkedCase.JSON.writeValueAsString(input));
    }
}
