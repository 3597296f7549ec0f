package rovek.server.plant.picture;

import java.util.List;
import java.util.UUID;

/**
 * A picture of something in the plant.
 *
 * @param width in pixels, likewise {@code height}
 * @param spots where its points are seen
 */
public record PictureView(
        UUID id,
        UUID nodeId,
        String title,
        int width,
        int height,
        List<Spot> spots,
        String at,
        String by,
        int version) {

    /**
     * Where a point is seen on a picture.
     *
     * @param nodeId of the point
     * @param x from the left edge, 0 to 1 of the width
     * @param y from the upper edge, 0 to 1 of the height
     */
    public record Spot(UUID nodeId, double x, double y) {}
}
