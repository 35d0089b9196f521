package orthopur.machine;

import java.util.List;

/**
 * One of several ways in which the machine can be fitted: exactly one option of the group is there.
 *
 * @param fitted id of the option that this machine has
 */
public record OptionGroup(String id, String name, List<Option> options, String fitted) {
    public OptionGroup {
        options = List.copyOf(options);
    }

    public record Option(String id, String name) {}
}
