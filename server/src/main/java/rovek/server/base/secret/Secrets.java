package rovek.server.base.secret;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.Optional;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/**
 * Keeps short secrets, such as instruments' pass codes, encrypted at rest: AES-256 in Galois/Counter Mode (NIST SP
 * 800-38D), a fresh nonce each time. The key lies outside of the database, so that a copy of the database tells
 * nothing.
 */
@Service
public class Secrets {

    private static final String MARK = "aes1:";
    private static final int KEY_BYTES = 32;
    private static final int NONCE_BYTES = 12;
    private static final int TAG_BITS = 128;

    private final SecureRandom random = new SecureRandom();
    private final SecretKeySpec key;

    /**
     * @param keyText 32 bytes in Base64; blank to use the file
     * @param keyFile made with a fresh key where it is missing, readable by its owner only
     */
    Secrets(@Value("${rovek.secret-key:}") String keyText, @Value("${rovek.secret-key-file}") String keyFile) {
        byte[] bytes = keyText.isBlank()
                ? ofFile(Path.of(keyFile))
                : Base64.getDecoder().decode(keyText.strip());
        if (bytes.length != KEY_BYTES) {
            throw new IllegalStateException(
                    "The secret key must have %d bytes, not %d.".formatted(KEY_BYTES, bytes.length));
        }
        this.key = new SecretKeySpec(bytes, "AES");
    }

    private byte[] ofFile(Path file) {
        try {
            if (!Files.exists(file)) {
                byte[] fresh = new byte[KEY_BYTES];
                random.nextBytes(fresh);
                Files.createDirectories(file.toAbsolutePath().getParent());
                try {
                    Files.createFile(
                            file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
                    Files.writeString(file, Base64.getEncoder().encodeToString(fresh), StandardOpenOption.WRITE);
                } catch (FileAlreadyExistsException anotherServerWasFirst) {
                    // its key is read below
                }
            }
            return Base64.getDecoder().decode(Files.readString(file).strip());
        } catch (IOException e) {
            throw new UncheckedIOException("The secret key cannot be kept in " + file + ".", e);
        }
    }

    /** Nothing stays nothing. */
    public String seal(String plain) {
        if (plain.isEmpty()) {
            return "";
        }
        byte[] nonce = new byte[NONCE_BYTES];
        random.nextBytes(nonce);
        byte[] sealed = crypt(Cipher.ENCRYPT_MODE, nonce, plain.getBytes(StandardCharsets.UTF_8))
                .orElseThrow(() -> new IllegalStateException("Every Java has AES."));
        Base64.Encoder encoder = Base64.getEncoder();
        return MARK + encoder.encodeToString(nonce) + ":" + encoder.encodeToString(sealed);
    }

    /** What was sealed; empty where it was sealed with another key, or is damaged. */
    public Optional<String> open(String sealed) {
        if (sealed.isEmpty()) {
            return Optional.of("");
        }
        if (!isSealed(sealed)) {
            return Optional.empty();
        }
        String[] parts = sealed.substring(MARK.length()).split(":");
        return crypt(
                        Cipher.DECRYPT_MODE,
                        Base64.getDecoder().decode(parts[0]),
                        Base64.getDecoder().decode(parts[1]))
                .map(bytes -> new String(bytes, StandardCharsets.UTF_8));
    }

    /** Whether a text is what {@link #seal} makes. */
    public boolean isSealed(String text) {
        return text.startsWith(MARK);
    }

    private Optional<byte[]> crypt(int mode, byte[] nonce, byte[] bytes) {
        try {
            Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
            cipher.init(mode, key, new GCMParameterSpec(TAG_BITS, nonce));
            return Optional.of(cipher.doFinal(bytes));
        } catch (GeneralSecurityException e) {
            return Optional.empty();
        }
    }
}
