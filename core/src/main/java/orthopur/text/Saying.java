package orthopur.text;

/** What says why, for a reader of any language. */
public interface Saying {
    /** Why. */
    Text said();
}
