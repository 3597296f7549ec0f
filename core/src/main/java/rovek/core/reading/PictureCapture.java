package rovek.core.reading;

import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/**
 * A screen or a photo.
 *
 * @param mediaType {@code image/png} or {@code image/jpeg}
 * @param bytes of the file; the array is handed over, not copied
 */
public record PictureCapture(String mediaType, byte[] bytes) implements Capture {

    public PictureCapture {
        boolean png = mediaType.equals("image/png") && begins(bytes, 0x89, 'P', 'N', 'G');
        boolean jpeg = mediaType.equals("image/jpeg") && begins(bytes, 0xFF, 0xD8, 0xFF);
        if (!png && !jpeg) {
            throw new Refused(Sentence.of("reading.notAPicture"));
        }
    }

    private static boolean begins(byte[] bytes, int... with) {
        for (int i = 0; i < with.length; i++) {
            if (bytes.length <= i || (bytes[i] & 0xFF) != with[i]) {
                return false;
            }
        }
        return true;
    }
}
