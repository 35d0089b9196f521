package orthopur.thermal;

import orthopur.quantity.OutOfRange;
import orthopur.quantity.Temperature;
import orthopur.text.Text;

/**
 * Newton's law of cooling in a room of constant temperature.
 *
 * @param room temperature that it ends at
 * @param start temperature at minute 0, above the room
 * @param perMinute how fast the difference shrinks, above 0
 */
public record Cooling(Temperature room, Temperature start, double perMinute) {
    public Cooling {
        if (!(perMinute > 0)) {
            throw new OutOfRange(
                    "cooling",
                    String.valueOf(perMinute),
                    Text.of("out-of-range.above-per-minute", "above 0 per minute"));
        }
    }

    /**
     * From two readings.
     *
     * @param minutes between them, above 0
     * @throws OutOfRange when the second is not cooler, or not above the room
     */
    public static Cooling through(
            Temperature first, Temperature second, double minutes, Temperature room) {
        if (second.compareTo(first) >= 0 || second.compareTo(room) <= 0 || !(minutes > 0)) {
            throw new OutOfRange(
                    "second",
                    second.shown(),
                    Text.of(
                            "out-of-range.above-and-below-later-than",
                            "above {0} and below {1}, later than it",
                            room.shown(),
                            first.shown()));
        }
        double ratio = (first.celsius() - room.celsius()) / (second.celsius() - room.celsius());
        return new Cooling(room, first, Math.log(ratio) / minutes);
    }

    /**
     * Minutes from the start until it is as cool as {@code limit}.
     *
     * @throws OutOfRange when the limit is not above the room: it never gets there
     */
    public double minutesTo(Temperature limit) {
        if (limit.compareTo(room) <= 0) {
            throw new OutOfRange(
                    "limit",
                    limit.shown(),
                    Text.of("out-of-range.above-the-room-s", "above the room's {0}", room.shown()));
        }
        double ratio = (start.celsius() - room.celsius()) / (limit.celsius() - room.celsius());
        return Math.max(0, Math.log(ratio) / perMinute);
    }

    /** Temperature after so many minutes. */
    public Temperature after(double minutes) {
        double left = (start.celsius() - room.celsius()) * Math.exp(-perMinute * minutes);
        return Temperature.ofCelsius(room.celsius() + left);
    }
}
