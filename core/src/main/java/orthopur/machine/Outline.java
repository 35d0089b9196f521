package orthopur.machine;

import java.util.List;

/**
 * A line drawing of the machine for the "where" picture.
 *
 * @param shapes from back to front
 */
public record Outline(int width, int height, List<Shape> shapes) {
    public Outline {
        shapes = List.copyOf(shapes);
    }

    /**
     * @param part the part it shows
     * @param path SVG path data
     */
    public record Shape(String part, String path) {}
}
