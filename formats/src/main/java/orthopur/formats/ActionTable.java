package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.lang.reflect.Constructor;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import orthopur.procedure.Action;
import orthopur.procedure.Called;
import orthopur.procedure.Solution;
import orthopur.procedure.Stated;

/**
 * Every action with its verbs and fields, read from the records of {@link Action}. Whatever reads,
 * writes, checks or shows a step asks here; a new field stands in its record and nowhere else.
 */
public final class ActionTable {
    private static final List<Slot> LIQUID =
            Arrays.stream(Solution.class.getRecordComponents()).map(Slot::of).toList();

    private static final List<ActionInfo> ALL =
            Arrays.stream(Action.class.getPermittedSubclasses()).map(ActionTable::info).toList();

    private static final Map<String, ActionInfo> BY_NAME =
            ALL.stream().collect(Collectors.toMap(ActionInfo::name, Function.identity()));

    private static final Map<String, StatedField> FIELDS = fieldsOfAll();

    private static final Map<String, List<String>> VERBS = verbs();

    private ActionTable() {}

    /**
     * A component of a record and the field that it states; a liquid states several, and none
     * itself.
     */
    record Slot(RecordComponent component, @Nullable StatedField field) {
        static Slot of(RecordComponent c) {
            return new Slot(c, c.getType() == Solution.class ? null : StatedField.of(c));
        }

        @Nullable Object in(Object whole) {
            try {
                return component.getAccessor().invoke(whole);
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    /**
     * @param name as it stands in a file
     * @param label as people read it
     * @param fields what the action takes beside the words
     */
    public record ActionInfo(
            String name,
            String label,
            List<StatedField> fields,
            @JsonIgnore Constructor<?> maker,
            @JsonIgnore List<Slot> slots,
            @JsonIgnore List<String> also) {
        @Nullable StatedField field(String called) {
            return fields.stream().filter(f -> f.name().equals(called)).findFirst().orElse(null);
        }
    }

    public static List<ActionInfo> all() {
        return ALL;
    }

    static @Nullable ActionInfo named(@Nullable String name) {
        return name == null ? null : BY_NAME.get(name);
    }

    /** The action of a step that was read. */
    static ActionInfo known(String name) {
        return Objects.requireNonNull(named(name), name);
    }

    /**
     * Each field once, in the order of files. Where actions differ in what a choice can be, all of
     * it is in the choices.
     */
    static Collection<StatedField> fields() {
        return FIELDS.values();
    }

    static @Nullable StatedField field(String name) {
        return FIELDS.get(name);
    }

    /**
     * Verbs by action; for the controls, "operate" with its mode behind a slash. The first is
     * written.
     */
    static Map<String, List<String>> verbsByAction() {
        return VERBS;
    }

    /** The components of a liquid. */
    static List<Slot> liquid() {
        return LIQUID;
    }

    private static ActionInfo info(Class<?> type) {
        Called called = Objects.requireNonNull(type.getAnnotation(Called.class), type.getName());
        List<Slot> slots = Arrays.stream(type.getRecordComponents()).map(Slot::of).toList();
        List<StatedField> fields = new ArrayList<>();
        for (Slot slot : slots) {
            StatedField own = slot.field();
            if (own != null) {
                fields.add(own);
                continue;
            }
            Stated.Liquid which = slot.component().getAnnotation(Stated.Liquid.class);
            List<String> only = List.of(Objects.requireNonNull(which).value());
            for (Slot part : LIQUID) {
                StatedField f = Objects.requireNonNull(part.field());
                if (only.isEmpty() || only.contains(f.name())) {
                    fields.add(f);
                }
            }
        }
        return new ActionInfo(
                Action.nameOf(type),
                called.value(),
                List.copyOf(fields),
                maker(type),
                slots,
                List.of(called.also()));
    }

    static Constructor<?> maker(Class<?> type) {
        try {
            return type.getDeclaredConstructor(
                    Arrays.stream(type.getRecordComponents())
                            .map(RecordComponent::getType)
                            .toArray(Class<?>[]::new));
        } catch (NoSuchMethodException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Map<String, StatedField> fieldsOfAll() {
        Map<String, StatedField> all = new LinkedHashMap<>();
        for (ActionInfo a : ALL) {
            for (Slot slot : a.slots()) {
                // All of a liquid together, also where the first action takes only some of it.
                Stream.of(slot)
                        .flatMap(s -> s.field() == null ? LIQUID.stream() : Stream.of(s))
                        .map(s -> Objects.requireNonNull(s.field()))
                        .forEach(f -> all.merge(f.name(), f, ActionTable::both));
            }
        }
        return all;
    }

    private static StatedField both(StatedField a, StatedField b) {
        if (a.kind() != b.kind() || !a.word().equals(b.word())) {
            throw new IllegalStateException("Two actions state " + a.name() + " differently.");
        }
        List<String> choices = new ArrayList<>(a.choices());
        b.choices().stream().filter(c -> !choices.contains(c)).forEach(choices::add);
        return new StatedField(
                a.name(),
                a.kind(),
                a.label(),
                a.example(),
                a.doc(),
                List.copyOf(choices),
                a.units(),
                a.least(),
                a.most(),
                a.of(),
                a.word(),
                a.type(),
                a.needed());
    }

    private static Map<String, List<String>> verbs() {
        Map<String, List<String>> v = new LinkedHashMap<>();
        for (Action.Mode m : Action.Mode.values()) {
            v.put("operate/" + QuantityModule.written(m), m.verbs());
        }
        for (ActionInfo a : ALL) {
            if (a.field("mode") == null) {
                List<String> said = new ArrayList<>(List.of(a.label()));
                said.addAll(a.also());
                v.put(a.name(), List.copyOf(said));
            }
        }
        return v;
    }
}
