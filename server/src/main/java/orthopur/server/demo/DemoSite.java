package orthopur.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;
import orthopur.formats.SheetFormat;
import orthopur.instrument.Instrument;
import orthopur.round.Role;
import orthopur.server.floor.SiteEntries;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.people.Signature;
import orthopur.server.people.Training;
import orthopur.server.platform.StoredJson;
import orthopur.server.procedures.Approvals;
import orthopur.server.procedures.Versions;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;

/**
 * Fills an empty database with Quillmere Kitchens, and says where to go and who can sign in. What
 * lies in the folder of the demo is taken in, whatever it is: a machine is added by its files. A
 * procedure whose file ends in {@code -draft} stays a draft, the others are approved.
 */
@Component
class DemoSite implements ApplicationRunner {
    private static final String DRAFT = "-draft.json";

    private final Sheets sheets;
    private final Premises premises;
    private final Versions procedures;
    private final Approvals approvals;
    private final Accounts accounts;
    private final Training training;
    private final StoredJson json;
    private final SiteEntries site;
    private final ObjectProvider<DemoNights> nights;
    private final Clock clock;
    private final boolean demo;
    private final int port;

    DemoSite(
            Sheets sheets,
            Premises premises,
            Versions procedures,
            Approvals approvals,
            Accounts accounts,
            Training training,
            StoredJson json,
            SiteEntries site,
            ObjectProvider<DemoNights> nights,
            Clock clock,
            @Value("${orthopur.demo:false}") boolean demo,
            @Value("${orthopur.port:8080}") int port) {
        this.sheets = sheets;
        this.premises = premises;
        this.procedures = procedures;
        this.approvals = approvals;
        this.accounts = accounts;
        this.training = training;
        this.json = json;
        this.site = site;
        this.nights = nights;
        this.clock = clock;
        this.demo = demo;
        this.port = port;
    }

    record People(List<DemoPerson> people) {}

    /**
     * @param adultInDays for somebody who turns 18 only so many days after the demo is started
     * @param trainedOn codes of machines; null for none
     */
    record DemoPerson(
            String name,
            Role role,
            String password,
            String pin,
            @Nullable Integer adultInDays,
            @Nullable List<String> trainedOn) {}

    @Override
    public void run(ApplicationArguments args) throws IOException {
        if (!demo) {
            return;
        }
        People people = json.read(text(one("people.json")), People.class);
        if (accounts.none()) {
            DemoNights past = nights.getIfAvailable();
            if (past != null) {
                past.standBefore(DemoNights.NIGHTS + 1);
            }
            fill(people);
            if (past != null) {
                String supervisor = people.people().getFirst().name();
                past.play(days -> checked(supervisor));
                checked(supervisor);
            }
        }
        for (DemoPerson p : people.people()) {
            LocalDate adult = adult(p);
            if (adult != null) {
                // The database was made with the program, which may be a year ago.
                accounts.staysYoung(p.name(), adult);
            }
        }
        if (checkedLongAgo()) {
            checked(people.people().getFirst().name());
        }
        System.out.println("Orthopur is ready: http://localhost:" + port);
        System.out.println("Demo sign-ins (name / password / PIN to sign):");
        for (DemoPerson p : people.people()) {
            System.out.printf("  %-16s %-18s %s  %s%n", p.name(), p.password(), p.pin(), p.role());
        }
        System.out.flush();
    }

    private void fill(People people) throws IOException {
        for (DemoPerson p : people.people()) {
            int id =
                    accounts.create(
                            p.name(),
                            p.role(),
                            accounts.hash(p.password()),
                            accounts.hash(p.pin()),
                            true,
                            adult(p));
            training.set(
                    id,
                    Objects.requireNonNullElse(p.trainedOn(), List.of()),
                    people.people().getFirst().name());
        }
        DemoPerson supervisor = people.people().getFirst();
        Person writer = accounts.signIn(supervisor.name(), supervisor.password());
        Signature signed = accounts.sign(writer, supervisor.pin());
        premises.site(text(one("site.json")), text(one("chemicals.json")), signed);
        for (Resource sheet : all("machines/*.json")) {
            sheets.add(SheetFormat.read(text(sheet)), signed);
        }
        for (Resource file : all("procedures/*.json")) {
            procedures.add(text(file), writer.name());
            String name = name(file);
            if (!name.endsWith(DRAFT)) {
                String id = name.substring(0, name.length() - ".json".length());
                approvals.approve(id, 1, 1, null, signed);
            }
        }
        checked(supervisor.name());
    }

    record Checks(List<DemoCheck> checks, List<DemoContainer> containers) {}

    /** A container of concentrate that was opened in the days before the demo. */
    record DemoContainer(String chemical, int daysAgo, int deliveredDaysAgo, double celsius) {}

    /** A check of an instrument in the days before the demo. */
    record DemoCheck(
            String instrument,
            int daysAgo,
            double low,
            double lowShown,
            @Nullable Double high,
            @Nullable Double highShown,
            @Nullable String lot,
            @Nullable Integer expiresInDays) {}

    /**
     * The database was made with the program, which may be a year ago. Where somebody has entered
     * anything since, it is left alone.
     */
    private boolean checkedLongAgo() {
        long recent = clock.millis() - Duration.ofDays(14).toMillis();
        Collection<SiteState.Known> all = site.state().newest().values();
        return !all.isEmpty()
                && all.stream()
                        .allMatch(
                                k ->
                                        k.at() < recent
                                                && (k.entry() instanceof SiteEntry.InstrumentChecked
                                                        || k.entry() instanceof SiteEntry.LotOpened
                                                        || k.entry()
                                                                instanceof
                                                                SiteEntry.ContainerOpened));
    }

    /** Instruments were held to standards before the first night; one of them did not pass. */
    private void checked(String name) throws IOException {
        Person by =
                accounts.names().entrySet().stream()
                        .filter(e -> e.getValue().equals(name))
                        .map(e -> new Person(e.getKey(), name, Role.SUPERVISOR, 0))
                        .findFirst()
                        .orElseThrow();
        Map<String, Instrument> register =
                premises.now().site().instruments().stream()
                        .collect(Collectors.toMap(Instrument::id, Function.identity()));
        long now = clock.millis();
        List<SiteEntry> entries = new ArrayList<>();
        List<Long> at = new ArrayList<>();
        Checks before = json.read(text(one("checks.json")), Checks.class);
        List<DemoCheck> checks =
                before.checks().stream()
                        .sorted(Comparator.comparing(DemoCheck::daysAgo).reversed())
                        .toList();
        for (DemoCheck c : checks) {
            Instrument i = Objects.requireNonNull(register.get(c.instrument()));
            long then = now - Duration.ofDays(c.daysAgo()).toMillis();
            if (c.lot() != null && c.expiresInDays() != null) {
                long expires = now + Duration.ofDays(c.expiresInDays()).toMillis();
                entries.add(new SiteEntry.LotOpened(i.id(), c.lot(), expires));
                at.add(then);
            }
            String unit = i.measures() == null ? "mg/L" : i.measures().unit();
            entries.add(
                    new SiteEntry.InstrumentChecked(
                            i.id(),
                            unit,
                            c.low(),
                            c.lowShown(),
                            c.high(),
                            c.highShown(),
                            c.lot(),
                            then));
            at.add(then);
        }
        for (DemoContainer c : before.containers()) {
            long then = now - Duration.ofDays(c.daysAgo()).toMillis();
            long delivered = now - Duration.ofDays(c.deliveredDaysAgo()).toMillis();
            // What was entered stands in the order of time.
            int place = (int) at.stream().filter(x -> x <= then).count();
            entries.add(place, new SiteEntry.ContainerOpened(c.chemical(), delivered, c.celsius()));
            at.add(place, then);
        }
        site.asBefore(entries, at, by);
    }

    private @Nullable LocalDate adult(DemoPerson p) {
        return p.adultInDays() == null ? null : accounts.today().plusDays(p.adultInDays());
    }

    private static List<Resource> all(String pattern) throws IOException {
        return Arrays.stream(
                        new PathMatchingResourcePatternResolver()
                                .getResources("classpath:demo/" + pattern))
                .sorted(Comparator.comparing(DemoSite::name))
                .toList();
    }

    private static Resource one(String file) throws IOException {
        return all(file).getFirst();
    }

    private static String name(Resource file) {
        return Objects.requireNonNull(file.getFilename());
    }

    private static String text(Resource file) throws IOException {
        try (InputStream in = file.getInputStream()) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
