package orthopur.machine;

/** What a part can do to the person who handles it. */
public enum Hazard {
    EDGE("sharp edge"),
    WEIGHT("heavy"),
    PINCH("pinches"),
    CRUSH("crushes"),
    SNAG("snags"),
    HEAT("hot"),
    FALLS("falls when the last fastening leaves");

    private final String shown;

    Hazard(String shown) {
        this.shown = shown;
    }

    public String shown() {
        return shown;
    }
}
