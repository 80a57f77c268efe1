package org.morphotera.server.demo;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.score.Seen;
import org.morphotera.core.score.StopRole;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.people.AccountMapper;
import org.morphotera.server.accounts.people.AccountReader;
import org.morphotera.server.accounts.people.Person;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.audit.Audit;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldChanged;
import org.morphotera.server.fields.FieldMapper;
import org.morphotera.server.fields.Grower;
import org.morphotera.server.fields.ManagementEvent;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.measurements.FromPhotos;
import org.morphotera.server.measurements.MeasurementWriter;
import org.morphotera.server.observations.Observation;
import org.morphotera.server.observations.ObservationMapper;
import org.morphotera.server.photos.Photo;
import org.morphotera.server.photos.PhotoMapper;
import org.morphotera.server.photos.Pictures;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitChanged;
import org.morphotera.server.visits.VisitMapper;
import org.morphotera.server.web.Starting;
import org.morphotera.training.ground.Scatter;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Fills an empty database with the Orrin Levels, relative to today: the same every time but for the dates. */
@Component
@Profile("demo")
@Order(5)
class DemoData implements ApplicationRunner {

    static final String PASSWORD = "orrin-levels";

    private static final Logger LOG = LoggerFactory.getLogger(DemoData.class);
    private static final String STEP = "The sample fields are being made";
    private static final int YEARS = 6;
    private static final double DAYS_A_YEAR = 365.25;
    private static final double METRES_PER_DEGREE = 111_320;
    private static final double LONGITUDE = 3.42;
    private static final double LATITUDE = 53.81;
    private static final int PHOTOGRAPHED_STOPS = 2;
    private static final int PHOTOGRAPHED_YEARS = 3;
    private static final String DRAWN = "Sample picture, drawn";

    private final AccountMapper accounts;
    private final FieldMapper fields;
    private final VisitMapper visits;
    private final ObservationMapper observations;
    private final MeasurementWriter writer;
    private final FromPhotos photosRead;
    private final Audit audit;
    private final PhotoMapper photos;
    private final MethodRegistry methods;
    private final Benchmarks benchmarks;
    private final DemoPlans plans;
    private final DemoDays days;
    private final ApplicationEventPublisher changes;
    private final UserDetailsService people;
    private final PasswordEncoder encoder;
    private final Starting starting;
    private final Clock clock;
    private final Random random = new Random(20_26);
    private final List<Runnable> drawing = new ArrayList<>();

    DemoData(
            AccountMapper accounts,
            FieldMapper fields,
            VisitMapper visits,
            ObservationMapper observations,
            MeasurementWriter writer,
            FromPhotos photosRead,
            Audit audit,
            PhotoMapper photos,
            MethodRegistry methods,
            Benchmarks benchmarks,
            DemoPlans plans,
            DemoDays days,
            ApplicationEventPublisher changes,
            UserDetailsService people,
            PasswordEncoder encoder,
            Starting starting,
            Clock clock) {
        this.starting = starting;
        this.accounts = accounts;
        this.fields = fields;
        this.visits = visits;
        this.observations = observations;
        this.writer = writer;
        this.photosRead = photosRead;
        this.audit = audit;
        this.photos = photos;
        this.methods = methods;
        this.benchmarks = benchmarks;
        this.plans = plans;
        this.days = days;
        this.changes = changes;
        this.people = people;
        this.encoder = encoder;
        this.clock = clock;
    }

    @Override
    @Transactional
    public void run(ApplicationArguments arguments) {
        if (accounts.countPersons() > 0) {
            return;
        }
        List<DemoField> all = OrrinLevels.fields();
        starting.at(STEP, 0, all.size());
        Advisor tidemark = practice("Tidemark Soil Advice", "advisor@tidemark.example", "Isla Fenn");
        plans.products(tidemark.practiceId());
        for (int i = 0; i < all.size(); i++) {
            add(tidemark, all.get(i));
            starting.at(STEP, i + 1, all.size());
        }
        days.plan(tidemark.practiceId());
        crew(tidemark.practiceId());
        Advisor ebbside = practice("Ebbside Land Care", "advisor@ebbside.example", "Bram Holt");
        add(ebbside, all.get(3));
        LOG.info("made the Orrin Levels");
    }

    private static UUID id(String name) {
        return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
    }

    private Advisor practice(String name, String email, String person) {
        UUID practice = id(name);
        accounts.insertPractice(practice, name, clock.instant());
        AccountReader.Practice made = accounts.practice(practice);
        accounts.updatePractice(new AccountReader.Practice(
                practice, name, made.sheetSchool(), made.hemisphere(), "€", made.version() + 1));
        accounts.insertPerson(Person.begin(id(email), practice, email, person, Role.OWNER, encoder.encode(PASSWORD)));
        return (Advisor) people.loadUserByUsername(email);
    }

    /** A helper who records at the newest visit of the first field, and a grower who reads its fields. */
    private void crew(UUID practice) {
        DemoField first = OrrinLevels.fields().get(0);
        UUID field = id(practice + first.name);
        UUID helper = id("helper@tidemark.example");
        accounts.insertPerson(Person.begin(
                helper, practice, "helper@tidemark.example", "Wren Sallow", Role.HELPER, encoder.encode(PASSWORD)));
        accounts.insertPerson(Person.begin(
                id("grower@tidemark.example"),
                practice,
                "grower@tidemark.example",
                "Reed Marram",
                Role.GROWER,
                encoder.encode(PASSWORD),
                id(practice + first.grower),
                false));
        visits.addHelper(practice, visits.newest(practice, field).id(), helper);
    }

    private void add(Advisor who, DemoField demo) {
        UUID practice = who.practiceId();
        UUID growerId = id(practice + demo.grower);
        if (fields.grower(practice, growerId) == null) {
            fields.insertGrower(practice, new Grower(growerId, demo.grower, null, 1));
        }
        double east = LONGITUDE + random.nextDouble() * 0.08;
        double north = LATITUDE + random.nextDouble() * 0.05;
        UUID fieldId = id(practice + demo.name);
        fields.insertField(
                practice,
                new Field(
                        fieldId,
                        growerId,
                        demo.name,
                        demo.landUse,
                        demo.crop,
                        demo.areaHa,
                        demo.texture,
                        demo.purpose,
                        demo.note,
                        outline(demo, east, north),
                        demo.zones ? zones(demo, east, north) : null,
                        demo.zones ? ditch(demo, east, north) : null,
                        1));
        changes.publishEvent(new FieldChanged(practice, fieldId));
        List<UUID> stops = new ArrayList<>();
        for (int i = 0; i < demo.stops.size(); i++) {
            UUID stop = id(fieldId + demo.stops.get(i));
            stops.add(stop);
            double[] at = place(demo, i, east, north);
            fields.insertStop(
                    practice,
                    new Stop(
                            stop,
                            fieldId,
                            demo.stops.get(i),
                            null,
                            at[0],
                            at[1],
                            i + 1,
                            demo.roleOf(i).code(),
                            demo.shares.get(demo.roleOf(i)),
                            null,
                            null,
                            null,
                            1));
        }
        StopRole leading = StopRole.leading(
                IntStream.range(0, demo.stops.size()).mapToObj(demo::roleOf).toList());
        fields.markLeading(practice, fieldId, leading == null ? null : leading.code());
        LocalDate today = LocalDate.now(clock);
        for (DemoField.DemoEvent event : demo.events) {
            LocalDate on = today.minusDays(Math.round(event.yearsAgo() * DAYS_A_YEAR));
            List<UUID> where = event.stops().isEmpty()
                    ? null
                    : event.stops().stream().map(stops::get).toList();
            UUID eventId = id(fieldId + event.what() + event.yearsAgo());
            fields.insertEvent(
                    practice,
                    new ManagementEvent(
                            eventId, fieldId, on, event.kind(), event.what(), event.rate(), event.cost(), where, 1));
        }
        plans.of(practice, fieldId, demo.name, today);
        MeasurementWriter.Run run =
                writer.begin(practice, who.id(), clock.instant().truncatedTo(ChronoUnit.MILLIS));
        List<Runnable> looks = new ArrayList<>();
        for (int year = YEARS - 1; year >= 0; year--) {
            visit(who, demo, fieldId, stops, year, today, run, looks);
        }
        run.flush();
        run.stops().forEach(writer::markNewest);
        looks.forEach(Runnable::run);
        insertPictures();
    }

    /** Half the side of a square of the field's area, in degrees of latitude. */
    private static double reach(DemoField demo) {
        return Math.sqrt(demo.areaHa * 10_000) / 2 / METRES_PER_DEGREE;
    }

    private static double[] place(DemoField demo, int stop, double east, double north) {
        double angle = 2 * Math.PI * stop / demo.stops.size() + 0.6;
        double reach = reach(demo) * (stop % 2 == 0 ? 0.62 : 0.4);
        return new double[] {
            east + reach * Math.cos(angle) / Math.cos(Math.toRadians(north)), north + reach * Math.sin(angle)
        };
    }

    /** A field with five uneven sides, as GeoJSON. */
    private static String outline(DemoField demo, double east, double north) {
        double[][] corners = {{-1.15, -0.85}, {0.9, -1.05}, {1.2, 0.35}, {0.35, 1.05}, {-1.05, 0.8}, {-1.15, -0.85}};
        String ring = ring(demo, east, north, corners);
        return "{\"type\":\"Polygon\",\"coordinates\":[[" + ring + "]]}";
    }

    private static String ring(DemoField demo, double east, double north, double[][] corners) {
        double reach = reach(demo);
        return Arrays.stream(corners)
                .map(corner -> String.format(
                        Locale.ROOT,
                        "[%.6f,%.6f]",
                        east + corner[0] * reach / Math.cos(Math.toRadians(north)),
                        north + corner[1] * reach))
                .collect(Collectors.joining(","));
    }

    /** The low corner and the rest, as GeoJSON. */
    private static String zones(DemoField demo, double east, double north) {
        String low = ring(demo, east, north, new double[][] {
            {-1.15, -0.85}, {-0.1, -0.95}, {0.1, -0.1}, {-1.1, 0.1}, {-1.15, -0.85}
        });
        return "{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":{\"id\":\"Low corner\"},"
                + "\"geometry\":{\"type\":\"Polygon\",\"coordinates\":[[" + low + "]]}}]}";
    }

    /** A ditch across, to be kept off, as GeoJSON. */
    private static String ditch(DemoField demo, double east, double north) {
        String line = ring(demo, east, north, new double[][] {{-1.08, 0.45}, {0.95, 0.72}});
        return "{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":{\"name\":\"Ditch\","
                + "\"metres\":10},\"geometry\":{\"type\":\"LineString\",\"coordinates\":[" + line + "]}}]}";
    }

    private void visit(
            Advisor who,
            DemoField demo,
            UUID fieldId,
            List<UUID> stops,
            int year,
            LocalDate today,
            MeasurementWriter.Run run,
            List<Runnable> looks) {
        boolean last = year == 0;
        boolean first = year == YEARS - 1;
        boolean unlike = demo.earlierVisitsUnlike && !last;
        LocalDate on = today.minusDays(11 + random.nextInt(16) + 365L * year + (unlike ? 130 : 0));
        boolean dry = unlike;
        double soilTempC = dry ? 21 + random.nextInt(3) : 8 + random.nextInt(4);
        UUID visitId = id(fieldId + "visit" + year);
        visits.insertVisit(
                who.practiceId(),
                new Visit(
                        visitId,
                        fieldId,
                        who.id(),
                        "",
                        on,
                        dry ? "dry" : "moist",
                        dry ? 14 + random.nextInt(8) : 2 + random.nextInt(2),
                        soilTempC,
                        null,
                        null,
                        null,
                        null,
                        1));
        double yearsAgo = ChronoUnit.DAYS.between(on, today) / DAYS_A_YEAR;
        DemoVisit tests =
                new DemoVisit(demo, yearsAgo, first, last, dry, soilTempC, methods, benchmarks, new Scatter(random));
        for (int i = 0; i < stops.size(); i++) {
            Instant at = on.atTime(8, 30).plusMinutes(50L * i).toInstant(ZoneOffset.UTC);
            observe(who, demo, fieldId, visitId, stops.get(i), i, yearsAgo);
            if (i < PHOTOGRAPHED_STOPS && year < PHOTOGRAPHED_YEARS) {
                photograph(who, demo, fieldId, visitId, stops.get(i), i, yearsAgo, at);
            }
            List<DemoVisit.Test> made = tests.testsAt(i);
            boolean looked = demo.readFromPhotos && i == 0 && (first || last);
            Map<DemoVisit.Test, DemoLooks.Look> taken = looked ? looks(visitId, stops.get(i), made) : Map.of();
            for (DemoVisit.Test test : made) {
                at = at.plusSeconds(150);
                Instant when = at;
                UUID id = testId(visitId, stops.get(i), test);
                DemoLooks.Look look = taken.get(test);
                if (look != null) {
                    keep(
                            who,
                            fieldId,
                            new Photo(
                                    id(id + "look"), visitId, stops.get(i), "", test.method(), test.topMm(), DRAWN, at),
                            look::picture);
                }
                Map<String, Object> readings = look == null ? test.readings() : look.readings();
                run.add(
                        new MeasurementWriter.Reading(
                                id, visitId, stops.get(i), test.method(), test.layer(), readings, at),
                        e -> {
                            throw e;
                        });
                audit.note(who, "record", "measurement", id, null);
                if (look != null) {
                    looks.add(() -> photosRead.keep(who.practiceId(), id, when, readings, look.photo()));
                }
            }
        }
        changes.publishEvent(new VisitChanged(who.practiceId(), fieldId, visitId));
    }

    private static UUID testId(UUID visit, UUID stop, DemoVisit.Test test) {
        return id(List.of(visit, stop, test.method(), String.valueOf(test.topMm()))
                .toString());
    }

    /** The tests that were read from a picture. */
    private static Map<DemoVisit.Test, DemoLooks.Look> looks(UUID visit, UUID stop, List<DemoVisit.Test> tests) {
        Map<DemoVisit.Test, DemoLooks.Look> looks = new ConcurrentHashMap<>();
        tests.parallelStream().forEach(test -> {
            DemoLooks.Look look = DemoLooks.of(test, testId(visit, stop, test).getMostSignificantBits());
            if (look != null) {
                looks.put(test, look);
            }
        });
        return looks;
    }

    private void photograph(
            Advisor who,
            DemoField demo,
            UUID fieldId,
            UUID visitId,
            UUID stop,
            int index,
            double yearsAgo,
            Instant at) {
        UUID id = id(visitId + "photo" + stop);
        double organic = demo.value("organic", index, yearsAgo);
        double structure = demo.value("structure", index, yearsAgo);
        double grey = demo.value("grey", index, yearsAgo);
        double cover = demo.value("cover", index, yearsAgo);
        double roots = demo.value("roots", index, yearsAgo);
        Photo photo = new Photo(id, visitId, stop, "", "structure", 200.0, DRAWN, at.plusSeconds(900));
        keep(
                who,
                fieldId,
                photo,
                () -> new DemoPhotos(id.getMostSignificantBits()).block(organic, structure, grey, cover, roots));
    }

    /** Draws a picture by the side; {@link #insertPictures} puts it where it belongs. */
    private void keep(Advisor who, UUID fieldId, Photo photo, Supplier<byte[]> picture) {
        CompletableFuture<Pictures.Kept> drawn =
                CompletableFuture.supplyAsync(() -> Pictures.drawnAnew(picture.get(), false));
        drawing.add(() -> {
            Pictures.Kept kept = drawn.join();
            photos.insert(who.practiceId(), fieldId, photo, kept, kept.content().length, null, kept.hash());
        });
    }

    private void insertPictures() {
        drawing.forEach(Runnable::run);
        drawing.clear();
    }

    private void observe(
            Advisor who, DemoField demo, UUID fieldId, UUID visitId, UUID stop, int index, double yearsAgo) {
        Seen[] seen = Seen.values();
        double vigour = demo.value("vigour", index, yearsAgo) + 0.15 * random.nextGaussian();
        observations.insert(
                who.practiceId(),
                fieldId,
                new Observation(
                        id(visitId + "seen" + stop),
                        visitId,
                        stop,
                        Math.round(Math.max(0, Math.min(2, vigour)) * 2) / 2.0,
                        Math.max(0, Math.rint(demo.value("slope", index, yearsAgo))),
                        seen[(int) Math.rint(demo.value("rills", index, yearsAgo))].code(),
                        seen[(int) Math.rint(demo.value("crust", index, yearsAgo))].code(),
                        demo.value("grey", index, yearsAgo) > 10,
                        null,
                        1));
    }
}
