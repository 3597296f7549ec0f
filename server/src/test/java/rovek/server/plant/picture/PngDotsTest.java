package rovek.server.plant.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

class PngDotsTest {

    private static byte[] png() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(9, 7, BufferedImage.TYPE_BYTE_INDEXED), "png", out);
        return out.toByteArray();
    }

    /** Behind the header, as ISO/IEC 15948, clause 5.3 has it: length, type, data, check sum. */
    private static byte[] with(byte[] png, String type, int length, byte[] data) {
        int afterHeader = 8 + 12 + 13;
        return ByteBuffer.allocate(png.length + data.length + 12)
                .put(png, 0, afterHeader)
                .putInt(length)
                .put(type.getBytes(StandardCharsets.US_ASCII))
                .put(data)
                .putInt(0)
                .put(png, afterHeader, png.length - afterHeader)
                .array();
    }

    @Test
    void onlyWhatTheDotsAreMadeOfIsKept() throws IOException {
        byte[] bare = PngDots.only(png());
        for (String type : new String[] {"zTXt", "iTXt", "tEXt", "iCCP", "eXIf", "tIME"}) {
            assertThat(PngDots.only(with(png(), type, 5, new byte[5]))).as(type).isEqualTo(bare);
        }
        assertThat(ImageIO.read(new ByteArrayInputStream(bare)).getWidth()).isEqualTo(9);
    }

    @Test
    void partsThatDoNotFitTogetherAreRefused() throws IOException {
        assertThatThrownBy(() -> PngDots.only(with(png(), "zTXt", Integer.MAX_VALUE, new byte[5])))
                .isInstanceOf(IOException.class);
        assertThatThrownBy(() -> PngDots.only(with(png(), "zTXt", -5, new byte[5])))
                .isInstanceOf(IOException.class);
        assertThatThrownBy(() -> PngDots.only(Arrays.copyOf(png(), png().length - 3)))
                .isInstanceOf(IOException.class);
        assertThat(PngDots.isPng(new byte[3])).isFalse();
    }
}
