package orthopur.server.tonight;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.UUID;
import orthopur.server.Client;
import tools.jackson.databind.JsonNode;

/** A site of six machines: a night of all sixteen that nobody has cleaned yet is no night. */
final class SmallSite {
    private static final List<String> KEPT =
            List.of("QK-SL1", "QK-SW1", "QK-FL1", "QK-OV1", "QK-DS1", "QK-TL1");

    private SmallSite() {}

    /** Takes the others out of use; who does it is signed in as the supervisor. */
    static void only(Client ilse, long at) {
        for (JsonNode m : ilse.read("/api/machines").body()) {
            String code = m.get("code").asString();
            if (!KEPT.contains(code)) {
                String said =
                        """
                        {"sentAt":%1$d,"entries":[{"id":"%2$s","packHash":"","step":"",
                         "kind":"out-of-use","device":"desk","tabletTime":%1$d,"figures":[
                          {"name":"machine","text":"%3$s"},{"name":"out","text":"yes"},
                          {"name":"why","text":"not tonight"},
                          {"name":"at","value":%1$d,"unit":"ms"}]}]}
                        """
                                .formatted(at, UUID.randomUUID(), code);
                assertEquals(200, ilse.post_("/api/stream/queue", said).status());
            }
        }
    }
}
