package orthopur.night;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import orthopur.night.Night.Heater;

/** The level of hot water over a night: drawn at once where a task begins, heated all the time. */
final class Tank {
    private final Heater heater;
    private final List<double[]> draws = new ArrayList<>();

    Tank(Heater heater) {
        this.heater = heater;
    }

    void draw(int at, double litres) {
        if (litres > 0) {
            draws.add(new double[] {at, litres});
            draws.sort(Comparator.comparingDouble(d -> d[0]));
        }
    }

    /** The least it comes to; below 0 where it runs cold. */
    double least() {
        double level = heater.litres();
        double least = level;
        double at = 0;
        for (double[] d : draws) {
            level = Math.min(heater.litres(), level + (d[0] - at) * heater.perMinute()) - d[1];
            at = d[0];
            least = Math.min(least, level);
        }
        return least;
    }

    /** The level each so many minutes, and right after each draw. */
    List<Plan.Water> levels(int until, int every) {
        List<Plan.Water> all = new ArrayList<>();
        double level = heater.litres();
        double at = 0;
        int next = 0;
        for (int t = 0; t <= until; t++) {
            level = Math.min(heater.litres(), level + (t - at) * heater.perMinute());
            at = t;
            boolean drawn = false;
            while (next < draws.size() && draws.get(next)[0] <= t) {
                level -= draws.get(next++)[1];
                drawn = true;
            }
            if (drawn || t % every == 0) {
                all.add(new Plan.Water(t, Math.round(level * 10) / 10.0));
            }
        }
        return all;
    }
}
