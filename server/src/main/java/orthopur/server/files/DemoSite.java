package orthopur.server.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;
import orthopur.formats.SheetFormat;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.people.Role;
import orthopur.server.people.Training;
import orthopur.server.platform.StoredJson;
import orthopur.server.procedures.Procedures;

/** Fills an empty database with Quillmere Kitchens, and says where to go and who can sign in. */
@Component
class DemoSite implements ApplicationRunner {
    private static final List<String> MACHINES =
            List.of("QK-SL1", "QK-SW1", "QK-OV1", "QK-FL1", "QK-DS1", "QK-TL1");
    private static final List<String> APPROVED =
            List.of(
                    "qk-sl1-end-of-shift",
                    "qk-sl1-sharpening",
                    "qk-sl1-oiling",
                    "qk-sw1-daily",
                    "qk-ov1-daily",
                    "qk-ov1-weekly",
                    "qk-fl1-daily",
                    "qk-ds1-daily",
                    "qk-tl1-line-clean");
    private static final List<String> DRAFTS =
            List.of(
                    "qk-sl1-draft",
                    "qk-sw1-draft",
                    "qk-ov1-draft",
                    "qk-fl1-draft",
                    "qk-ds1-draft",
                    "qk-tl1-draft");

    private final Sheets sheets;
    private final Procedures procedures;
    private final Accounts accounts;
    private final Training training;
    private final StoredJson json;
    private final boolean demo;
    private final int port;

    DemoSite(
            Sheets sheets,
            Procedures procedures,
            Accounts accounts,
            Training training,
            StoredJson json,
            @Value("${orthopur.demo:false}") boolean demo,
            @Value("${orthopur.port:8080}") int port) {
        this.sheets = sheets;
        this.procedures = procedures;
        this.accounts = accounts;
        this.training = training;
        this.json = json;
        this.demo = demo;
        this.port = port;
    }

    record People(List<DemoPerson> people) {}

    /**
     * @param adultInDays for somebody who turns 18 only so many days after the demo is made
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
        People people = json.read(text("people.json"), People.class);
        if (accounts.none()) {
            fill(people);
        }
        System.out.println("Orthopur is ready: http://localhost:" + port);
        System.out.println("Demo sign-ins (name / password / PIN to sign):");
        for (DemoPerson p : people.people()) {
            System.out.printf("  %-16s %-18s %s  %s%n", p.name(), p.password(), p.pin(), p.role());
        }
        System.out.flush();
    }

    private void fill(People people) {
        sheets.site(text("site.json"), text("chemicals.json"));
        MACHINES.forEach(m -> sheets.add(SheetFormat.read(text("machines/" + m + ".json"))));
        Stream.concat(APPROVED.stream(), DRAFTS.stream())
                .forEach(p -> procedures.add(text("procedures/" + p + ".json"), "Ilse Varga"));
        for (DemoPerson p : people.people()) {
            LocalDate adult =
                    p.adultInDays() == null ? null : accounts.today().plusDays(p.adultInDays());
            int id = accounts.create(p.name(), p.role(), p.password(), p.pin(), adult);
            training.set(
                    id,
                    p.trainedOn() == null ? List.of() : p.trainedOn(),
                    people.people().getFirst().name());
        }
        DemoPerson supervisor = people.people().getFirst();
        Person ilse = accounts.signIn(supervisor.name(), supervisor.password());
        APPROVED.forEach(p -> procedures.approve(p, 1, 1, supervisor.pin(), null, ilse));
    }

    private static String text(String file) {
        try (InputStream in = DemoSite.class.getResourceAsStream("/demo/" + file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
