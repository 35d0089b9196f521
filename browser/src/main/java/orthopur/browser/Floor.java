package orthopur.browser;

import org.teavm.jso.JSExport;
import org.teavm.jso.JSObject;

/** What a tablet calls: rounds, and the site's stream beside them. One file holds both. */
public final class Floor {
    private Floor() {}

    /** A round over this pack. */
    @JSExport
    public static FloorRound over(JSObject pack) {
        return FloorRound.over(pack);
    }

    /**
     * Entries for the site on top of what is known of it.
     *
     * @see FloorSite#onTop
     */
    @JSExport
    public static String siteOnTop(JSObject newest, JSObject entries) {
        return FloorSite.onTop(newest, entries);
    }

    /**
     * Why an entry for the site may not be made.
     *
     * @see FloorSite#refuses
     */
    @JSExport
    public static String siteRefuses(JSObject newest, JSObject entry, double at, JSObject actor) {
        return FloorSite.refuses(newest, entry, at, actor);
    }

    /**
     * What stands in which vessel.
     *
     * @see FloorSite#solutions
     */
    @JSExport
    public static String solutions(JSObject newest, double now) {
        return FloorSite.solutions(newest, now);
    }

    /**
     * How far each instrument can be believed.
     *
     * @see FloorSite#register
     */
    @JSExport
    public static String register(JSObject newest, JSObject instruments, double days, double now) {
        return FloorSite.register(newest, instruments, days, now);
    }
}
