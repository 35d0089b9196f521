package orthopur.round;

import org.jspecify.annotations.Nullable;

/**
 * Who makes an entry, as far as it decides whether the entry may be made.
 *
 * @param name as it is shown
 * @param person the one whom several accounts may stand for; whoever did the work under one name
 *     does not release it under another
 * @param role null in entries from before it was kept, which are folded as they were then
 * @param signed whether the PIN was given with it
 */
public record Actor(String name, String person, @Nullable Role role, boolean signed) {
    /** Somebody of whom nothing but the name is known. */
    public static Actor named(String name) {
        return new Actor(name, name, null, false);
    }
}
