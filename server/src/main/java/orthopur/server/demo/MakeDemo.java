package orthopur.server.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import orthopur.server.OrthopurServer;

/** Makes the database of the demo site; the build runs it, so that no start has to. */
public final class MakeDemo {
    private MakeDemo() {}

    /**
     * @param args the file to write; behind it anything for the ninety nights as well
     */
    public static void main(String[] args) throws IOException {
        Path made = Path.of(args[0]).toAbsolutePath();
        Files.createDirectories(made.getParent());
        Files.deleteIfExists(made);
        Path folder = Files.createTempDirectory("orthopur-demo");
        List<String> how =
                new ArrayList<>(
                        List.of(
                                "--orthopur.data=" + folder,
                                "--orthopur.demo=true",
                                "--server.port=0"));
        if (args.length > 1) {
            how.add("--orthopur.demo-past=true");
        }
        try (ConfigurableApplicationContext server =
                new SpringApplication(OrthopurServer.class).run(how.toArray(String[]::new))) {
            server.getBean(DSLContext.class).execute("VACUUM INTO '" + made + "'");
        }
        try (Stream<Path> left = Files.walk(folder)) {
            List<Path> files = left.sorted(Comparator.reverseOrder()).toList();
            for (Path file : files) {
                Files.delete(file);
            }
        }
    }
}
