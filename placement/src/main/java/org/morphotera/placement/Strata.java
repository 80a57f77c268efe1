package org.morphotera.placement;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Location;

/**
 * Divides ground into compact parts of like size by k-means over a fine grid, with the centres of some parts fixed where
 * stops already are (Walvoort, Brus and de Gruijter, 2010).
 */
final class Strata {

    private static final int CELLS_A_PART = 60;
    private static final int FEWEST_CELLS = 600;
    private static final int MOST_LOOKS = 400_000;
    private static final int FINER = 6;
    private static final int STARTS = 4;
    private static final int ROUNDS = 60;
    private static final int THROWS = 30;

    private final IndexedPointInAreaLocator inside;
    private final List<Coordinate> cells;
    private final SplittableRandom random;
    private double side;

    /**
     * @param ground in metres, not empty
     * @param parts how many there will be
     */
    Strata(Geometry ground, int parts, SplittableRandom random) {
        this.random = random;
        inside = new IndexedPointInAreaLocator(ground);
        Envelope box = ground.getEnvelopeInternal();
        side = Math.sqrt(ground.getArea() / Math.max(FEWEST_CELLS, CELLS_A_PART * parts));
        side = Math.max(side, Math.sqrt(box.getArea() / MOST_LOOKS));
        List<Coordinate> found = grid(box);
        for (int i = 0; i < FINER && found.size() < parts; i++) {
            side /= 2;
            found = grid(box);
        }
        if (found.isEmpty()) {
            found.add(ground.getInteriorPoint().getCoordinate());
        }
        cells = found;
    }

    private List<Coordinate> grid(Envelope box) {
        List<Coordinate> found = new ArrayList<>();
        for (double y = box.getMinY() + side / 2; y < box.getMaxY(); y += side) {
            for (double x = box.getMinX() + side / 2; x < box.getMaxX(); x += side) {
                Coordinate cell = new Coordinate(x, y);
                if (holds(cell)) {
                    found.add(cell);
                }
            }
        }
        return found;
    }

    private boolean holds(Coordinate point) {
        return inside.locate(point) != Location.EXTERIOR;
    }

    /**
     * New stops, one in each part that holds no kept one.
     *
     * @param kept where stops already are
     * @param wanted how many new ones
     * @param atRandom anywhere in its part, not at its centre
     */
    List<Coordinate> stops(List<Coordinate> kept, int wanted, boolean atRandom) {
        if (wanted == 0) {
            return List.of();
        }
        Coordinate[] best = null;
        int[] bestOwner = null;
        double least = Double.POSITIVE_INFINITY;
        for (int start = 0; start < STARTS; start++) {
            Coordinate[] centres = begin(kept, wanted);
            int[] owner = new int[cells.size()];
            double spread = settle(centres, kept.size(), owner);
            if (spread < least) {
                least = spread;
                best = centres;
                bestOwner = owner;
            }
        }
        List<Coordinate> stops = new ArrayList<>();
        for (int part = kept.size(); part < best.length; part++) {
            stops.add(atRandom ? anywhere(part, bestOwner) : onGround(best[part], part, bestOwner));
        }
        return stops;
    }

    /** First centres far from each other (Arthur and Vassilvitskii, 2007). */
    private Coordinate[] begin(List<Coordinate> kept, int wanted) {
        Coordinate[] centres = new Coordinate[kept.size() + wanted];
        double[] far = new double[cells.size()];
        Arrays.fill(far, Double.POSITIVE_INFINITY);
        for (int i = 0; i < centres.length; i++) {
            centres[i] = i < kept.size() ? kept.get(i) : cells.get(i == 0 ? random.nextInt(cells.size()) : drawn(far));
            for (int c = 0; c < far.length; c++) {
                far[c] = Math.min(far[c], square(cells.get(c), centres[i]));
            }
        }
        return centres;
    }

    private int drawn(double[] weights) {
        double left = random.nextDouble() * Arrays.stream(weights).sum();
        for (int i = 0; i < weights.length; i++) {
            left -= weights[i];
            if (left <= 0) {
                return i;
            }
        }
        return weights.length - 1;
    }

    private static double square(Coordinate a, Coordinate b) {
        return (a.x - b.x) * (a.x - b.x) + (a.y - b.y) * (a.y - b.y);
    }

    /** Moves the free centres until nothing changes; the sum of squares that is left. */
    private double settle(Coordinate[] centres, int fixed, int[] owner) {
        double spread = 0;
        for (int round = 0; round < ROUNDS; round++) {
            spread = share(centres, owner);
            boolean moved = false;
            double[] x = new double[centres.length];
            double[] y = new double[centres.length];
            int[] size = new int[centres.length];
            for (int c = 0; c < owner.length; c++) {
                x[owner[c]] += cells.get(c).x;
                y[owner[c]] += cells.get(c).y;
                size[owner[c]]++;
            }
            for (int i = fixed; i < centres.length; i++) {
                Coordinate to = size[i] == 0
                        ? cells.get(random.nextInt(cells.size()))
                        : new Coordinate(x[i] / size[i], y[i] / size[i]);
                moved |= to.distance(centres[i]) > side / 100;
                centres[i] = to;
            }
            if (!moved) {
                break;
            }
        }
        return spread;
    }

    private double share(Coordinate[] centres, int[] owner) {
        double spread = 0;
        for (int c = 0; c < owner.length; c++) {
            double nearest = Double.POSITIVE_INFINITY;
            for (int i = 0; i < centres.length; i++) {
                double far = square(cells.get(c), centres[i]);
                if (far < nearest) {
                    nearest = far;
                    owner[c] = i;
                }
            }
            spread += nearest;
        }
        return spread;
    }

    private Coordinate onGround(Coordinate centre, int part, int[] owner) {
        if (holds(centre)) {
            return centre;
        }
        Coordinate nearest = null;
        for (int c = 0; c < owner.length; c++) {
            if (owner[c] == part && (nearest == null || square(cells.get(c), centre) < square(nearest, centre))) {
                nearest = cells.get(c);
            }
        }
        return nearest == null ? cells.get(random.nextInt(cells.size())) : nearest;
    }

    private Coordinate anywhere(int part, int[] owner) {
        List<Coordinate> own = new ArrayList<>();
        for (int c = 0; c < owner.length; c++) {
            if (owner[c] == part) {
                own.add(cells.get(c));
            }
        }
        Coordinate cell = (own.isEmpty() ? cells : own).get(random.nextInt(own.isEmpty() ? cells.size() : own.size()));
        for (int i = 0; i < THROWS; i++) {
            Coordinate thrown = new Coordinate(
                    cell.x + (random.nextDouble() - 0.5) * side, cell.y + (random.nextDouble() - 0.5) * side);
            if (holds(thrown)) {
                return thrown;
            }
        }
        return cell;
    }
}
