package orthopur.simulation.floor;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Random;
import javax.imageio.ImageIO;
import orthopur.round.Entry;

/**
 * {@code simulate queue [--entries N] [--photos N] [--url URL]}: a tablet that was without signal
 * for long comes back, with its photos.
 */
public final class SimulateQueue {
    private static final int AT_ONCE = 500;
    private static final int WIDE = 1280;
    private static final int HIGH = 960;

    private final PrintStream out;

    public SimulateQueue(PrintStream out) {
        this.out = out;
    }

    /**
     * @return 0 when all of it is in the record, else 1
     * @throws IOException when the server cannot be reached
     */
    public int run(String url, int entries, int photos) throws IOException {
        FloorClient maren = new FloorClient(url, "Maren Oyelaran", "quillmere-maren");
        String procedure = maren.get("/api/floor").get(0).get("procedure").asText();
        SimulatedTablet tablet = new SimulatedTablet(maren, procedure, false, 0, 7);
        int before = maren.get("/api/logbook/" + tablet.round() + "/entries").size();
        byte[][] pictures = new byte[photos][];
        long bytes = 0;
        for (int i = 0; i < photos; i++) {
            pictures[i] = picture(i);
            bytes += pictures[i].length;
            tablet.note(new Entry.PhotoTaken(tablet.anyStep(), sha256(pictures[i]), "before"));
        }
        while (tablet.waiting() < entries) {
            tablet.enter();
        }
        long start = System.nanoTime();
        for (byte[] p : pictures) {
            maren.put("/api/photos/" + sha256(p), "image/jpeg", p);
        }
        tablet.sendBy(AT_ONCE);
        double seconds = (System.nanoTime() - start) / 1e9;
        int there = maren.get("/api/logbook/" + tablet.round() + "/entries").size() - before;
        out.printf(
                "%d entries and %d photos (%.1f MB) in %.2f s; %d entries are in the record%n",
                entries, photos, bytes / 1e6, seconds, there);
        return there == entries ? 0 : 1;
    }

    /** As grainy as a phone's, and each another. */
    private static byte[] picture(int seed) throws IOException {
        BufferedImage image = new BufferedImage(WIDE, HIGH, BufferedImage.TYPE_INT_RGB);
        Random dice = new Random(seed);
        for (int y = 0; y < HIGH; y++) {
            for (int x = 0; x < WIDE; x++) {
                int grey = 90 + (x * 80 / WIDE) + dice.nextInt(24);
                image.setRGB(x, y, grey << 16 | grey << 8 | grey);
            }
        }
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", jpeg);
        return jpeg.toByteArray();
    }

    private static String sha256(byte[] content) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
