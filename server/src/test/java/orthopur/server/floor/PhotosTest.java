package orthopur.server.floor;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;

/** Photos are kept under the hash of their bytes; what is no photo, or was damaged, is not kept. */
@ServerTest
class PhotosTest {
    @Autowired MockMvc mvc;
    @Autowired DSLContext db;

    private static byte[] jpeg(int size) {
        byte[] bytes = new byte[size];
        bytes[0] = (byte) 0xff;
        bytes[1] = (byte) 0xd8;
        return bytes;
    }

    private int kept() {
        return db.fetchCount(org.jooq.impl.DSL.table("photo"));
    }

    @Test
    void aPhotoIsKeptOnceAndComesBackByteForByte() throws Exception {
        Client maren = Client.maren(mvc);
        byte[] photo = jpeg(5_000);
        String path = "/api/photos/" + Photos.hash(photo);
        int before = kept();
        assertEquals(204, maren.putBytes(path, "image/jpeg", photo).status());
        assertEquals(204, maren.putBytes(path, "image/jpeg", photo).status());
        assertEquals(before + 1, kept());
        assertArrayEquals(photo, maren.bytes(path));
    }

    @Test
    void whatIsNoPhotoOrWasDamagedIsNotKept() {
        Client maren = Client.maren(mvc);
        int before = kept();
        byte[] text = "not a photo at all".getBytes(java.nio.charset.StandardCharsets.UTF_8);
        // Whatever the sender calls it: its first bytes decide.
        Answer no = maren.putBytes("/api/photos/" + Photos.hash(text), "image/jpeg", text);
        assertEquals(415, no.status());
        assertTrue(no.detail().contains("not a photo"), no.detail());
        assertEquals(
                409,
                maren.putBytes("/api/photos/" + Photos.hash(text), "image/jpeg", jpeg(100))
                        .status());
        assertEquals(400, maren.putBytes("/api/photos/x", "image/png", new byte[0]).status());
        byte[] huge = jpeg(20_000_000);
        Answer large = maren.putBytes("/api/photos/" + Photos.hash(huge), "image/jpeg", huge);
        assertEquals(413, large.status());
        assertTrue(large.detail().contains("20.0 MB"), large.detail());
        assertEquals(404, maren.read("/api/photos/" + Photos.hash(huge)).status());
        assertEquals(before, kept());
    }
}
