package org.morphotera.core.judgement;

import java.util.*;
import org.morphotera.core.CoreData;

class TrialRun {
    public static void main(String[] a) {
        int n = Integer.parseInt(a[0]);
        String ind = a[1];
        double eff = Double.parseDouble(a[2]);
        for (ChangeTrials.World w : ChangeTrials.World.values())
            for (int la : List.of(0, 1, 2)) {
                ChangeTrials tr = new ChangeTrials(9);
                int f = 0, e = 0, t = 0, p = 0, de = 0;
                for (int i = 0; i < n; i++) {
                    var d = tr.draw(ind, w, 2, 5, la, 0.0, false);
                    var s = FieldJudgement.of(d.field(), CoreData.BENCHMARKS)
                            .series()
                            .get(0);
                    if (s.change(null, null).probability() >= .95) f++;
                    var did = s.did().get(0);
                    if (Math.max(did.risen(), did.fallen()) >= .95) e++;
                    d = tr.draw(ind, w, 2, 5, la, eff, false);
                    s = FieldJudgement.of(d.field(), CoreData.BENCHMARKS)
                            .series()
                            .get(0);
                    var c = s.change(null, null);
                    if (c.risen() >= .95) t++;
                    if (c.risen() >= .8) p++;
                    if (s.did().get(0).risen() >= .95) de++;
                }
                System.out.printf(
                        "%s left %d nothing: change %.2f%% effect %.2f%%   effect: told %.1f prob %.1f eff %.1f%n",
                        w, la, 100.0 * f / n, 100.0 * e / n, 100.0 * t / n, 100.0 * p / n, 100.0 * de / n);
            }
    }
}
