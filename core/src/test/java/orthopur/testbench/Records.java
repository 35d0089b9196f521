package orthopur.testbench;

import java.lang.reflect.RecordComponent;

/** Copies of records with one component changed. */
public final class Records {
    private Records() {}

    @SuppressWarnings("unchecked")
    public static <R extends Record> R with(R record, String component, Object value) {
        RecordComponent[] all = record.getClass().getRecordComponents();
        Class<?>[] types = new Class<?>[all.length];
        Object[] values = new Object[all.length];
        boolean found = false;
        try {
            for (int i = 0; i < all.length; i++) {
                types[i] = all[i].getType();
                boolean here = all[i].getName().equals(component);
                found |= here;
                all[i].getAccessor().setAccessible(true);
                values[i] = here ? value : all[i].getAccessor().invoke(record);
            }
            if (!found) {
                throw new AssertionError(record.getClass() + " has no " + component);
            }
            var made = record.getClass().getDeclaredConstructor(types);
            made.setAccessible(true);
            return (R) made.newInstance(values);
        } catch (ReflectiveOperationException e) {
            throw new AssertionError(component, e);
        }
    }
}
