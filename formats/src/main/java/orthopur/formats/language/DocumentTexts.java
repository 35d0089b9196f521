package orthopur.formats.language;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;

/**
 * The texts of a document that people read, each by the path of ids and fields that leads to it.
 */
public final class DocumentTexts {
    /**
     * Fields that hold what somebody wrote for people. Ids, codes, serial numbers and the words of
     * the program are not among them, nor is the text of a label, which stands as it is printed. A
     * field that is new and read by people belongs here.
     */
    private static final Set<String> WRITTEN =
            Set.of(
                    ("name family room configuration destination fastening caution mark endReason"
                                    + " brush wipe dryClean use tools pattern wearCheck point workIn"
                                    + " isolationPoint verify product empties chambers vents startSign"
                                    + " prompts safePosition discard allergens soils materials where"
                                    + " sign event words shelf what means then symptom look cure text"
                                    + " stop ventilation title ppe clears because things place places"
                                    + " tool who insides container secondMeasure uses"
                                    + " neverWith owner complete purged")
                            .split(" "));

    private static final Pattern ID = Pattern.compile("[a-z]+(-[a-z0-9]+)+");

    private DocumentTexts() {}

    /**
     * The texts in the order of the document, by their paths, for instance "parts.blade.caution" or
     * "steps.s12.words"; what has no id has its place in its list.
     *
     * @param document a sheet, a procedure, a site or its chemicals, as they are written
     */
    public static Map<String, String> of(JsonNode document) {
        Map<String, String> all = new LinkedHashMap<>();
        collect(document, "", "", all);
        return all;
    }

    /**
     * What a text belongs to, as people call it: a part or an energy by its name, a step by its
     * number, else the field it stands in.
     */
    public static String place(JsonNode document, String path) {
        String[] ids = path.split("\\.");
        JsonNode list = document.path(ids[0]);
        for (int i = 0; list.isArray() && ids.length > 1 && i < list.size(); i++) {
            JsonNode one = list.get(i);
            if (one.path("id").asString("").equals(ids[1])) {
                String name = one.path("name").asString("");
                return name.isEmpty() ? Integer.toString(i + 1) : name;
            }
        }
        return ids[0];
    }

    private static void collect(JsonNode node, String path, String field, Map<String, String> all) {
        String before = path.isEmpty() ? "" : path + ".";
        if (node.isObject()) {
            node.properties()
                    .forEach(p -> collect(p.getValue(), before + p.getKey(), p.getKey(), all));
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                String id = node.get(i).path("id").asString(Integer.toString(i));
                collect(node.get(i), before + id, field, all);
            }
        } else if (node.isString() && WRITTEN.contains(field) && says(node.asString())) {
            all.put(path, node.asString());
        }
    }

    /** A letter on a hub, a code on a display and an id are the same in every language. */
    private static boolean says(String text) {
        return text.chars().filter(Character::isLowerCase).count() > 1
                && !ID.matcher(text).matches();
    }
}
