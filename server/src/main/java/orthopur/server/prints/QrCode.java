package orthopur.server.prints;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.util.Map;

/**
 * A code that a tablet's camera reads, as one path of unit squares.
 *
 * @param side how many squares wide and high it is, with its quiet margin
 * @param path of an SVG
 */
public record QrCode(int side, String path) {
    /** With a quarter of it to spare: labels at machines are scratched and wet. */
    static QrCode of(String text) {
        try {
            BitMatrix m =
                    new QRCodeWriter()
                            .encode(
                                    text,
                                    BarcodeFormat.QR_CODE,
                                    0,
                                    0,
                                    Map.of(
                                            EncodeHintType.ERROR_CORRECTION,
                                            ErrorCorrectionLevel.Q));
            StringBuilder path = new StringBuilder();
            for (int y = 0; y < m.getHeight(); y++) {
                for (int x = 0; x < m.getWidth(); x++) {
                    if (m.get(x, y)) {
                        path.append("M%d %dh1v1h-1z".formatted(x, y));
                    }
                }
            }
            return new QrCode(m.getWidth(), path.toString());
        } catch (WriterException e) {
            throw new IllegalStateException("An address does not fit on a label: " + text, e);
        }
    }
}
