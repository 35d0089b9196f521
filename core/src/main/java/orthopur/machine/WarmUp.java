package orthopur.machine;

import java.time.Duration;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.text.Text;

/**
 * What comes before the first good product of a machine that has to be warm.
 *
 * @param time how long it warms up, empty
 * @param to how warm it is then; absent where only the time is told
 * @param discard what is done with what is made first, as a sentence; absent where nothing is
 */
public record WarmUp(Duration time, @Nullable Temperature to, @Nullable String discard) {
    /** "20 minutes, to 230 °C" */
    public Text shown() {
        String minutes = Show.number(time.getSeconds() / 60.0);
        return to == null
                ? Text.of("warm-up", "{0} minutes", minutes)
                : Text.of("warm-up.to", "{0} minutes, to {1}", minutes, to.shown());
    }
}
