package orthopur.formats;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;

/** What a schema does not allow, in words for somebody who fills in a form. */
final class SchemaWords {
    private SchemaWords() {}

    static Text of(Schema schema, Error e) {
        String found = e.getInstanceNode().asString("");
        return switch (e.getKeyword()) {
            case "minimum", "maximum", "exclusiveMinimum", "exclusiveMaximum" ->
                    Text.of(
                            "schema.range",
                            "It is {0}; allowed is {1}.",
                            found,
                            range(limits(schema, e)));
            case "required" -> Text.of("schema.required", "It needs \"{0}\".", e.getProperty());
            case "dependentRequired" ->
                    Text.of(
                            "schema.dependent",
                            "It states \"{1}\", so it needs \"{0}\" as well.",
                            e.getArguments()[0],
                            e.getArguments()[1]);
            case "additionalProperties" ->
                    Text.of("schema.unknown", "There is no field \"{0}\" here.", e.getProperty());
            case "enum" ->
                    Text.of(
                            "schema.enum",
                            "\"{0}\" is not one of {1}.",
                            found,
                            String.join(
                                    ", ",
                                    limits(schema, e)
                                            .path("enum")
                                            .valueStream()
                                            .map(JsonNode::asString)
                                            .toList()));
            case "type" ->
                    Text.of(
                            "schema.type",
                            "This is {0}; {1} is expected.",
                            form(typeOf(e.getInstanceNode())),
                            form(limits(schema, e).path("type").asString("")));
            case "minLength" -> Text.of("schema.empty", "It must not be empty.");
            case "maxLength" ->
                    Text.of(
                            "schema.too-long",
                            "It has {0} characters; allowed are {1}.",
                            found.length(),
                            limits(schema, e).path("maxLength").asInt());
            case "minItems", "maxItems", "maxProperties" ->
                    Text.of(
                            "schema.items",
                            "It has {0} entries; allowed is {1}.",
                            e.getInstanceNode().size(),
                            items(limits(schema, e)));
            case "uniqueItems" -> Text.of("schema.twice", "An entry stands in it twice.");
            case "pattern", "propertyNames" -> pattern(limits(schema, e), found);
            default -> Text.plain(e.getMessage());
        };
    }

    /** The part of the schema that speaks of this place. */
    private static JsonNode limits(Schema schema, Error e) {
        String at = e.getSchemaLocation().getFragment().toString();
        return schema.getSchemaNode().at(at.substring(0, at.lastIndexOf('/')));
    }

    /** A number outside of its range is told the whole range, not the side it fell off alone. */
    private static Text range(JsonNode of) {
        boolean open = of.has("exclusiveMinimum");
        JsonNode least = open ? of.path("exclusiveMinimum") : of.path("minimum");
        JsonNode most = of.path("maximum");
        if (least.isMissingNode()) {
            return Text.of("schema.at-most", "at most {0}", most.asString());
        }
        if (most.isMissingNode()) {
            return open
                    ? Text.of("schema.more-than", "more than {0}", least.asString())
                    : Text.of("schema.at-least", "at least {0}", least.asString());
        }
        return open
                ? Text.of(
                        "schema.more-than-to",
                        "more than {0}, up to {1}",
                        least.asString(),
                        most.asString())
                : Text.of("schema.to", "{0} to {1}", least.asString(), most.asString());
    }

    private static Text items(JsonNode of) {
        int least = of.path("minItems").asInt(0);
        JsonNode most = of.has("maxItems") ? of.path("maxItems") : of.path("maxProperties");
        return most.isMissingNode()
                ? Text.of("schema.at-least", "at least {0}", least)
                : Text.of("schema.to", "{0} to {1}", least, most.asInt());
    }

    /** Patterns are not for people. */
    private static Text pattern(JsonNode of, String found) {
        String pattern = of.toString();
        if (pattern.contains("]=[a-z0-9]")) {
            return Text.of(
                    "schema.option",
                    "Name a group and one of its options, for instance wheel=fixed.");
        }
        if (pattern.contains("[A-Z0-9][A-Z0-9-]")) {
            return Text.of(
                    "schema.code",
                    "Use 1 to 20 capitals, numbers and dashes, for instance QK-SL1.");
        }
        if (pattern.contains("[a-z0-9][a-z0-9-]")) {
            return Text.of("schema.id", "Use up to 60 small letters, numbers and dashes.");
        }
        if (pattern.contains("[01][0-9]")) {
            return Text.of("schema.clock", "Write a time of the day, 00:00 to 23:59.");
        }
        return Text.of("schema.form", "\"{0}\" is not of the form that is expected here.", found);
    }

    private static String typeOf(JsonNode node) {
        return node.isObject()
                ? "object"
                : node.isArray()
                        ? "array"
                        : node.isString()
                                ? "string"
                                : node.isBoolean()
                                        ? "boolean"
                                        : node.isIntegralNumber()
                                                ? "integer"
                                                : node.isNumber() ? "number" : "null";
    }

    private static Text form(String type) {
        return switch (type) {
            case "object" -> Text.of("schema.object", "a group of fields");
            case "array" -> Text.of("schema.array", "a list");
            case "string" -> Text.of("schema.string", "a text");
            case "boolean" -> Text.of("schema.boolean", "true or false");
            case "integer" -> Text.of("schema.integer", "a whole number");
            case "number" -> Text.of("schema.number", "a number");
            case "null" -> Text.of("schema.null", "nothing");
            default -> Text.of("schema.other", "another form");
        };
    }
}
