package rovek.server.plant.picture;

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
import net.coobird.thumbnailator.Thumbnails;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

/**
 * An image as it is kept: its dots and nothing else. What a camera wrote beside them, the place and the owner's name
 * among it, is left behind, and so is whatever else might be packed there; only which side is up is seen to before.
 *
 * @param mediaType PNG or JPEG
 */
record PictureFile(byte[] bytes, String mediaType, int width, int height) {

    static final int MOST_BYTES = 8 << 20;
    private static final long MOST_PIXELS = 24_000_000;
    private static final int FIELD_WIDTH = 640;
    private static final float QUALITY = 0.92f;
    /** Decoded, turned and written again. */
    private static final int BYTES_A_PIXEL = 12;

    /** An image that was looked at from outside: what it is, and how large, but not yet its dots. */
    record Seen(byte[] bytes, String format, int width, int height) {

        /** What decoding it needs at most. */
        long room() {
            return (long) width * height * BYTES_A_PIXEL;
        }

        /** @throws DomainProblem.Invalid when it is damaged */
        PictureFile decoded() {
            try {
                requireWhole(bytes);
                ByteArrayOutputStream out = new ByteArrayOutputStream(bytes.length);
                Thumbnails.of(new ByteArrayInputStream(bytes))
                        .scale(1)
                        .outputFormat(format)
                        .outputQuality(QUALITY)
                        .toOutputStream(out);
                byte[] kept = out.toByteArray();
                Seen turned = seen(kept);
                return new PictureFile(kept, "image/" + format, turned.width, turned.height);
            } catch (IOException | RuntimeException damaged) {
                throw damaged(damaged);
            }
        }
    }

    /** @throws DomainProblem.Invalid when it is no image that a browser and an instrument can show */
    static Seen seen(byte[] brought) {
        if (brought.length > MOST_BYTES) {
            throw refused(Sentence.of("plant.pictureTooLarge", "size", brought.length / 1e6, "most", MOST_BYTES >> 20));
        }
        try {
            byte[] bytes = PngDots.isPng(brought) ? PngDots.only(brought) : brought;
            try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
                ImageReader reader = reader(in);
                try {
                    return seen(reader, in, bytes);
                } finally {
                    reader.dispose();
                }
            }
        } catch (IOException | RuntimeException damaged) {
            throw damaged(damaged);
        }
    }

    private static Seen seen(ImageReader reader, ImageInputStream in, byte[] bytes) throws IOException {
        String format = reader.getFormatName().toLowerCase(Locale.ROOT);
        if (!format.equals("png") && !format.equals("jpeg")) {
            throw refused(Sentence.of("plant.pictureFormat", "format", format.toUpperCase(Locale.ROOT)));
        }
        reader.setInput(in, true, true);
        int width = reader.getWidth(0);
        int height = reader.getHeight(0);
        if ((long) width * height > MOST_PIXELS) {
            throw refused(Sentence.of("plant.picturePixels", "width", width, "height", height));
        }
        return new Seen(bytes, format, width, height);
    }

    private static ImageReader reader(ImageInputStream in) {
        Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
        if (!readers.hasNext()) {
            throw refused(Sentence.of("plant.notAPicture"));
        }
        return readers.next();
    }

    /** Every row is decoded, few are kept: a file that was cut off ends here rather than before somebody's eyes. */
    private static void requireWhole(byte[] bytes) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            ImageReader reader = reader(in);
            try {
                reader.setInput(in, true, true);
                ImageReadParam coarse = reader.getDefaultReadParam();
                int step = Math.max(1, Math.max(reader.getWidth(0), reader.getHeight(0)) / 64);
                coarse.setSourceSubsampling(step, step, 0, 0);
                boolean[] endsEarly = {false};
                reader.addIIOReadWarningListener((source, warning) ->
                        endsEarly[0] |= warning.toLowerCase(Locale.ROOT).contains("premature"));
                reader.read(0, coarse);
                if (endsEarly[0]) {
                    throw new IOException("cut off");
                }
            } finally {
                reader.dispose();
            }
        }
    }

    private static DomainProblem damaged(Exception by) {
        return by instanceof DomainProblem problem ? problem : refused(Sentence.of("plant.pictureDamaged"));
    }

    private static DomainProblem refused(Sentence sentence) {
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
            pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            pen.setColor(Color.WHITE);
            pen.fillRect(0, 0, width, height);
            pen.drawImage(Thumbnails.of(full).forceSize(width, height).asBufferedImage(), 0, 0, null);
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
