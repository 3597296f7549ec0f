package rovek.fieldsim;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;
import rovek.core.reading.PictureCapture;

/** Screens and photos that the stand-ins take: drawn, and plainly so. */
final class SimulatedScreen {

    private static final int WIDTH = 320;
    private static final int HEIGHT = 240;

    /** A display with a trace on it. */
    PictureCapture screen(String caption) {
        BufferedImage image = blank(new Color(0x1e2528));
        Graphics2D pen = image.createGraphics();
        pen.setColor(new Color(0xe9e5da));
        pen.drawString(caption, 10, 20);
        pen.setStroke(new BasicStroke(2));
        for (int x = 10; x < WIDTH - 10; x++) {
            int seed = caption.hashCode() % 40;
            pen.drawLine(x, y(x, seed), x + 1, y(x + 1, seed));
        }
        pen.dispose();
        return encoded(image, "png", "image/png");
    }

    private static int y(int x, int seed) {
        return (int) (HEIGHT / 2.0 + 60 * Math.sin(x / 20.0 + seed));
    }

    PictureCapture photo(String caption) {
        BufferedImage image = blank(new Color(0xb8ad94));
        Graphics2D pen = image.createGraphics();
        pen.setColor(new Color(0x4a5257));
        pen.fillRect(0, 110, WIDTH, 26);
        pen.setColor(new Color(0xa8321f));
        pen.setStroke(new BasicStroke(4));
        pen.drawOval(140, 95, 56, 56);
        pen.setColor(new Color(0x1e2528));
        pen.drawString(caption, 10, 225);
        pen.dispose();
        return encoded(image, "jpg", "image/jpeg");
    }

    private static BufferedImage blank(Color ground) {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setColor(ground);
        pen.fillRect(0, 0, WIDTH, HEIGHT);
        pen.dispose();
        return image;
    }

    private static PictureCapture encoded(BufferedImage image, String format, String mediaType) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, format, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new PictureCapture(mediaType, out.toByteArray());
    }
}
