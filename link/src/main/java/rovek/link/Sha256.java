package rovek.link;

import java.io.IOException;
import java.io.InputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** Digests that tell whether bytes arrived whole. */
public final class Sha256 {

    private static final int BYTES_AT_A_TIME = 64 << 10;

    private Sha256() {}

    /** In lower-case hexadecimal, 64 digits. */
    public static String of(byte[] bytes) {
        return HexFormat.of().formatHex(digest().digest(bytes));
    }

    /** The digest of everything that comes, of which little is held at a time; in lower-case hexadecimal. */
    public static String of(InputStream in) throws IOException {
        MessageDigest digest = digest();
        byte[] some = new byte[BYTES_AT_A_TIME];
        for (int count = in.read(some); count >= 0; count = in.read(some)) {
            digest.update(some, 0, count);
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    /** A fresh one, to be fed by whoever reads or writes on the way. */
    public static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256.", e);
        }
    }
}
