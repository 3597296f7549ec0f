package rovek.server.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import javax.imageio.ImageIO;

/** A side view of a motor with what it drives, drawn for the machines of the demonstration plant. */
final class DemoPicture {

    static final int WIDTH = 1_000;
    static final int HEIGHT = 520;
    /** The driven machine's bearings, as shares of width and height. */
    static final double DRIVE_END_X = 0.60;

    static final double NON_DRIVE_END_X = 0.80;
    static final double SHAFT_Y = 0.50;

    private static final Color GROUND = new Color(0xe9e4d8);
    private static final Color BODY = new Color(0xc9cfcf);
    private static final Color DARK = new Color(0x3b4548);

    private DemoPicture() {}

    /** @return PNG */
    static byte[] machine() {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setColor(GROUND);
        pen.fillRect(0, 0, WIDTH, HEIGHT);
        double shaft = SHAFT_Y * HEIGHT;
        List<Shape> parts = List.of(
                new Rectangle2D.Double(90, 400, 830, 46),
                new Rectangle2D.Double(400, shaft - 12, 470, 24),
                new RoundRectangle2D.Double(120, shaft - 110, 290, 220, 26, 26),
                new Rectangle2D.Double(150, shaft + 110, 60, 30),
                new Rectangle2D.Double(320, shaft + 110, 60, 30),
                new Rectangle2D.Double(455, shaft - 44, 34, 88),
                new Rectangle2D.Double(493, shaft - 44, 34, 88),
                new RoundRectangle2D.Double(DRIVE_END_X * WIDTH - 34, shaft - 52, 68, 192, 14, 14),
                new Ellipse2D.Double(650, shaft - 120, 120, 240),
                new Rectangle2D.Double(690, 60, 40, 90),
                new RoundRectangle2D.Double(NON_DRIVE_END_X * WIDTH - 34, shaft - 52, 68, 192, 14, 14));
        for (Shape part : parts) {
            pen.setColor(BODY);
            pen.fill(part);
            pen.setColor(DARK);
            pen.setStroke(new BasicStroke(4));
            pen.draw(part);
        }
        for (int rib = 150; rib < 390; rib += 24) {
            pen.draw(new Line2D.Double(rib, shaft - 96, rib, shaft + 96));
        }
        pen.dispose();
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            ImageIO.write(image, "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
