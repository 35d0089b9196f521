package orthopur.server.platform;

import org.springframework.http.HttpStatus;

/** An error with a plain sentence for the user and the status that goes with it. */
public class Said extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final HttpStatus status;

    public Said(HttpStatus status, String message) {
        super(message);
        this.status = status;
    }

    public static Said notFound(String message) {
        return new Said(HttpStatus.NOT_FOUND, message);
    }

    public static Said conflict(String message) {
        return new Said(HttpStatus.CONFLICT, message);
    }

    public static Said forbidden(String message) {
        return new Said(HttpStatus.FORBIDDEN, message);
    }

    HttpStatus status() {
        return status;
    }
}
