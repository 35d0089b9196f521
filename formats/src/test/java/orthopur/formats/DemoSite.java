package orthopur.formats;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import orthopur.chemical.Chemical;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.rulebook.PublicCodes;
import orthopur.runthrough.Context;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/** The demo site's files, read as a user's would be. */
final class DemoSite {
    static final MachineSheet SLICER = SheetFormat.read(text("machines/QK-SL1.json"));
    static final List<Chemical> CHEMICALS = ChemicalsFormat.read(text("chemicals.json"));
    static final Site SITE = Site.read(text("site.json"));
    static final Context CONTEXT = SITE.context(PublicCodes.book(), CHEMICALS);

    private DemoSite() {}

    static String text(String file) {
        try {
            return Files.readString(Path.of("..", "demo", file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static Procedure procedure(String name) {
        ProcedureDocument d = ProcedureFormat.document(text("procedures/" + name + ".json"));
        return ProcedureFormat.read(
                d,
                sheet(d.sheet()),
                CHEMICALS.stream().map(Chemical::id).collect(Collectors.toSet()));
    }

    static final List<String> APPROVED =
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

    static MachineSheet sheet(String code) {
        return SheetFormat.read(text("machines/" + code + ".json"));
    }

    static Verdict verify(Procedure p) {
        return Verifier.verify(
                p, p.sheet().equals(SLICER.code()) ? SLICER : sheet(p.sheet()), CONTEXT);
    }
}
