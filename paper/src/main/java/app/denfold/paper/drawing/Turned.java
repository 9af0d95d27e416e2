package app.denfold.paper.drawing;

import java.awt.Graphics2D;
import java.awt.image.BufferedImage;

/** Pictures turned by quarters. */
public final class Turned {

    private Turned() {}

    /** @param degrees clockwise: 0, 90, 180 or 270 */
    public static BufferedImage by(BufferedImage image, int degrees) {
        int quarters = Math.floorMod(degrees, 360) / 90;
        if (quarters == 0) {
            return image;
        }
        boolean swaps = quarters % 2 == 1;
        int width = swaps ? image.getHeight() : image.getWidth();
        int height = swaps ? image.getWidth() : image.getHeight();
        int type = image.getType() == BufferedImage.TYPE_CUSTOM ? BufferedImage.TYPE_INT_RGB : image.getType();
        BufferedImage result = new BufferedImage(width, height, type);
        Graphics2D g = result.createGraphics();
        g.translate(width / 2.0, height / 2.0);
        g.rotate(Math.toRadians(90.0 * quarters));
        g.translate(-image.getWidth() / 2.0, -image.getHeight() / 2.0);
        g.drawImage(image, 0, 0, null);
        g.dispose();
        return result;
    }
}
