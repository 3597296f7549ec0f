package rovek.server.picture;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Iterator;
import java.util.Locale;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import rovek.server.problem.DomainProblem;

/**
 * An image as it was brought, looked into before it is kept.
 *
 * @param mediaType PNG or JPEG
 */
record PictureFile(byte[] bytes, String mediaType, int width, int height) {

    static final int MOST_BYTES = 8 << 20;
    private static final long MOST_PIXELS = 24_000_000;
    private static final int FIELD_WIDTH = 640;

    /** @throws DomainProblem.Invalid when it is no image that a browser and an instrument can show */
    static PictureFile of(byte[] bytes) {
        if (bytes.length > MOST_BYTES) {
            throw refused("The picture has %.1f MB; up to %d MB are kept.".formatted(bytes.length / 1e6, MOST_BYTES >> 20));
        }
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw refused("This is no picture. Choose a PNG or JPEG file.");
            }
            ImageReader reader = readers.next();
            try {
                return look(reader, in, bytes);
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException damaged) {
            if (damaged instanceof DomainProblem problem) {
                throw problem;
            }
            throw refused("The picture is damaged or cut off. Take it once more.");
        }
    }

    private static PictureFile look(ImageReader reader, ImageInputStream in, byte[] bytes) throws IOException {
        String format = reader.getFormatName().toLowerCase(Locale.ROOT);
        if (!format.equals("png") && !format.equals("jpeg")) {
            throw refused("A picture is a PNG or JPEG file, not %s.".formatted(format.toUpperCase(Locale.ROOT)));
        }
        reader.setInput(in);
        int width = reader.getWidth(0);
        int height = reader.getHeight(0);
        if ((long) width * height > MOST_PIXELS) {
            throw refused("The picture has %d x %d dots; up to 24 million are kept.".formatted(width, height));
        }
        // Every row is decoded, few are kept: a file that was cut off ends here rather than before somebody's eyes.
        ImageReadParam coarse = reader.getDefaultReadParam();
        int step = Math.max(1, Math.max(width, height) / 64);
        coarse.setSourceSubsampling(step, step, 0, 0);
        boolean[] endsEarly = {false};
        reader.addIIOReadWarningListener((source, warning) -> endsEarly[0] |= warning.toLowerCase(Locale.ROOT).contains("premature"));
        reader.read(0, coarse);
        if (endsEarly[0]) {
            throw new IOException("cut off");
        }
        return new PictureFile(bytes, "image/" + format, width, height);
    }

    private static DomainProblem refused(String sentence) {
        return new DomainProblem.Invalid("file", sentence);
    }

    /**
     * As it goes onto an instrument: a JPEG of at most {@value #FIELD_WIDTH} dots' width, with a ring round a spot.
     *
     * @param spot where the ring goes; empty for none
     */
    static byte[] forTheField(byte[] kept, Optional<PictureView.Spot> spot) {
        try {
            BufferedImage full = ImageIO.read(new ByteArrayInputStream(kept));
            int width = Math.min(FIELD_WIDTH, full.getWidth());
            int height = Math.max(1, (int) Math.round((double) full.getHeight() * width / full.getWidth()));
            BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
            Graphics2D pen = small.createGraphics();
            pen.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
            pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            pen.setColor(Color.WHITE);
            pen.fillRect(0, 0, width, height);
            pen.drawImage(full, 0, 0, width, height, null);
            spot.ifPresent(at -> ring(pen, at.x() * width, at.y() * height, width / 24.0));
            pen.dispose();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(small, "jpeg", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Dark within light, so that it is seen on any ground. */
    private static void ring(Graphics2D pen, double x, double y, double radius) {
        Ellipse2D circle = new Ellipse2D.Double(x - radius, y - radius, 2 * radius, 2 * radius);
        pen.setColor(Color.WHITE);
        pen.setStroke(new BasicStroke((float) Math.max(4, radius / 3)));
        pen.draw(circle);
        pen.setColor(new Color(0x5b2a5e));
        pen.setStroke(new BasicStroke((float) Math.max(2, radius / 6)));
        pen.draw(circle);
    }
}
