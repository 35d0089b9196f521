package orthopur.server.platform;

import org.springframework.http.HttpStatus;
import orthopur.text.Saying;
import orthopur.text.Text;

/** An error with a plain sentence for the user and the status that goes with it. */
public class Said extends RuntimeException implements Saying {
    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final transient Text said;

    public Said(HttpStatus status, Text text) {
        super(text.sentence());
        this.status = status;
        this.said = text;
    }

    public static Said notFound(Text text) {
        return new Said(HttpStatus.NOT_FOUND, text);
    }

    public static Said conflict(Text text) {
        return new Said(HttpStatus.CONFLICT, text);
    }

    public static Said forbidden(Text text) {
        return new Said(HttpStatus.FORBIDDEN, text);
    }

    @Override
    public Text said() {
        return said;
    }

    HttpStatus status() {
        return status;
    }
}
