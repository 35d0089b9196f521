package orthopur.formats;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthopur.text.Text;

/** The words of old procedures, English and Spanish, in lower case and without accents. */
final class OldTextWords {
    private OldTextWords() {}

    /** Beginnings of a clause, and the verb of the notation that each can only mean. */
    static final Map<String, String> VERBS = verbs();

    private static Map<String, String> verbs() {
        Map<String, String> v = new LinkedHashMap<>();
        say(v, "Stop", "switch off", "turn off", "power off", "stop", "apague", "apagar");
        say(v, "Isolate", "unplug", "pull the plug of", "desenchufe", "desenchufar");
        say(v, "Lock", "lock out", "lockout", "lock and tag", "loto", "bloquee", "bloquear");
        say(v, "Remove", "remove", "take off", "take out", "detach", "lift off", "lift out");
        say(v, "Remove", "quite", "quitar", "retire", "retirar", "saque");
        say(v, "Move aside", "fold away", "tilt", "raise", "swing away");
        say(v, "Dry-clean", "scrape", "dry clean", "dry brush", "brush off", "raspe");
        say(v, "Wash", "wash", "scrub", "hand wash", "lave", "lavar");
        say(v, "Rinse", "pre-rinse", "prerinse", "rinse", "enjuague", "enjuagar");
        say(v, "Soak", "soak", "remoje", "remojar");
        say(v, "Inspect", "inspect", "inspeccione", "inspeccionar");
        say(v, "Sanitize", "sanitize", "sanitise", "disinfect", "desinfecte", "desinfectar");
        say(v, "Dry", "air dry", "air-dry", "let dry", "allow to air dry", "deje secar");
        say(v, "Lubricate", "lubricate", "grease", "oil", "engrase", "lubrique");
        say(v, "Install", "reinstall", "put back", "install", "refit", "reassemble", "monte");
        say(v, "Wash hands", "wash hands", "wash your hands", "lavese las manos");
        say(v, "Record", "fill in the log", "sign the log", "sign the record", "record readings");
        say(v, "Record", "firme el registro");
        return v;
    }

    private static void say(Map<String, String> v, String notation, String... spoken) {
        for (String s : spoken) {
            v.put(s, notation);
        }
    }

    /** Carry no meaning that a step would lose. */
    static final Set<String> FILL =
            Set.of(
                    "the",
                    "a",
                    "an",
                    "all",
                    "both",
                    "of",
                    "with",
                    "using",
                    "in",
                    "at",
                    "to",
                    "for",
                    "and",
                    "&",
                    "on",
                    "into",
                    "from",
                    "by",
                    "well",
                    "thoroughly",
                    "carefully",
                    "gently",
                    "fresh",
                    "potable",
                    "drinking",
                    "tap",
                    "water",
                    "solution",
                    "el",
                    "la",
                    "los",
                    "las",
                    "de",
                    "del",
                    "con",
                    "en",
                    "por",
                    "durante",
                    "y",
                    "agua",
                    "bien",
                    "please",
                    "least",
                    "minimum",
                    "min",
                    "about",
                    "hand");

    /** In front of the verb. */
    static final Set<String> BEFORE_VERB =
            Set.of("then", "next", "now", "please", "carefully", "first", "luego", "ahora");

    /** A clause with one of these is a rule, a choice or a condition, never a plain step. */
    static final Set<String> BINDS =
            Set.of(
                    "not",
                    "never",
                    "no",
                    "don't",
                    "dont",
                    "do",
                    "without",
                    "if",
                    "unless",
                    "when",
                    "whenever",
                    "or",
                    "optional",
                    "needed",
                    "necessary",
                    "required",
                    "before",
                    "after",
                    "while",
                    "until",
                    "except",
                    "only",
                    "nunca",
                    "si",
                    "cuando",
                    "sin",
                    "antes",
                    "despues",
                    "mientras",
                    "o",
                    "excepto",
                    "solo",
                    "should",
                    "must");

    /** Something with a use and no name: the product is not stated. */
    static final Set<String> SOME_PRODUCT =
            Set.of(
                    "sanitizer",
                    "sanitiser",
                    "quat",
                    "bleach",
                    "chlorine",
                    "detergent",
                    "soap",
                    "soapy",
                    "degreaser",
                    "cleaner",
                    "chemical",
                    "desinfectante",
                    "detergente",
                    "jabon",
                    "cloro");

    /** Water with a word for its warmth: the temperature is not stated. */
    static final Set<String> SOME_WARMTH =
            Set.of("hot", "warm", "lukewarm", "cold", "cool", "caliente", "tibia", "fria");

    static final Map<String, String> TOOLS =
            Map.of(
                    "brush", "by brush",
                    "cloth", "by cloth",
                    "spray", "by spray",
                    "hose", "by hose",
                    "cepillo", "by brush",
                    "trapo", "by cloth");

    static final Map<String, String> UNITS = units();

    private static Map<String, String> units() {
        Map<String, String> u = new LinkedHashMap<>();
        say(u, "mg/L", "mg/l", "ppm");
        say(u, "%", "%", "percent");
        say(u, "°C", "°c", "c", "deg c", "degrees c", "grados c", "grados", "ºc");
        say(u, "°F", "°f", "f", "deg f", "degrees f", "ºf");
        say(u, "L", "l", "litre", "litres", "liter", "liters", "litros");
        say(u, "gal", "gal", "gallon", "gallons", "galones");
        say(u, "mL", "ml");
        say(u, "min", "min", "mins", "minute", "minutes", "minutos", "minuto");
        say(u, "s", "s", "sec", "secs", "second", "seconds", "segundos");
        say(u, "h", "h", "hr", "hour", "hours", "horas");
        return u;
    }

    /** What a step needs before the rules can judge it, by its verb. */
    static final Map<String, List<Need>> NEEDS =
            Map.of(
                    "Wash",
                    List.of(
                            Need.PRODUCT,
                            Need.STRENGTH,
                            Need.TEMPERATURE,
                            Need.VOLUME,
                            Need.METHOD),
                    "Rinse",
                    List.of(Need.TEMPERATURE, Need.END),
                    "Soak",
                    List.of(Need.PRODUCT, Need.STRENGTH, Need.TEMPERATURE, Need.TIME, Need.VESSEL),
                    "Sanitize",
                    List.of(Need.PRODUCT, Need.STRENGTH, Need.TEMPERATURE, Need.WET, Need.READING),
                    "Dry",
                    List.of(Need.TIME),
                    "Lubricate",
                    List.of(Need.PRODUCT),
                    "Remove",
                    List.of(Need.DESTINATION));

    /** What a step has to say. */
    enum Need {
        PRODUCT(Text.of("old-text.product", "product")),
        STRENGTH(Text.of("old-text.strength", "strength")),
        TEMPERATURE(Text.of("old-text.temperature", "temperature")),
        VOLUME(Text.of("old-text.volume", "how much is made")),
        METHOD(Text.of("old-text.method", "with what it is brought on")),
        END(Text.of("old-text.end", "when it is enough")),
        TIME(Text.of("old-text.time", "how long")),
        VESSEL(Text.of("old-text.vessel", "in what")),
        WET(Text.of("old-text.wet", "how long it stays wet")),
        READING(Text.of("old-text.reading", "what is read")),
        DESTINATION(Text.of("old-text.destination", "where it goes"));

        private final Text text;

        Need(Text text) {
            this.text = text;
        }

        Text text() {
            return text;
        }
    }
}
