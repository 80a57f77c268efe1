package org.morphotera.core.bench;

import java.util.Set;
import org.junit.platform.engine.TestExecutionResult;
import org.junit.platform.engine.discovery.ClassNameFilter;
import org.junit.platform.engine.discovery.DiscoverySelectors;
import org.junit.platform.launcher.LauncherDiscoveryRequest;
import org.junit.platform.launcher.TestExecutionListener;
import org.junit.platform.launcher.TestIdentifier;
import org.junit.platform.launcher.core.LauncherDiscoveryRequestBuilder;
import org.junit.platform.launcher.core.LauncherFactory;

/** The core's tests but for slow ones and for those that hold a page of text to what is generated; ends at the first failure. */
final class QuickTests {

    private static final Set<String> LEFT_OUT = Set.of(
            "PhotoTruthTest",
            "CardTest",
            "LabTest",
            "DayPlanTest",
            "ChangeTrialsTest",
            "JudgementsTest",
            "MethodPagesTest",
            "CompletenessTest",
            "ArchitectureTest");

    private QuickTests() {}

    /** Exits with 1 where a test fails, which it names; with 0 where none does. */
    public static void main(String[] args) {
        LauncherDiscoveryRequest wanted = LauncherDiscoveryRequestBuilder.request()
                .selectors(DiscoverySelectors.selectPackage("org.morphotera.core"))
                .filters(
                        ClassNameFilter.includeClassNamePatterns(".*Test"),
                        ClassNameFilter.excludeClassNamePatterns(".*(" + String.join("|", LEFT_OUT) + ")"))
                .build();
        LauncherFactory.create().execute(wanted, new TestExecutionListener() {
            @Override
            public void executionFinished(TestIdentifier test, TestExecutionResult result) {
                if (result.getStatus() == TestExecutionResult.Status.FAILED) {
                    System.out.println(test.getLegacyReportingName() + " in "
                            + test.getUniqueId().replaceFirst(".*class:([^\\]]*).*", "$1"));
                    System.out.flush();
                    Runtime.getRuntime().halt(1);
                }
            }
        });
        Runtime.getRuntime().halt(0);
    }
}
