package rovek.server.instruments.firmware;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.KeyFactory;
import java.security.PublicKey;
import java.security.Signature;
import java.security.spec.X509EncodedKeySpec;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.wording.Sentence;
import rovek.link.packet.FirmwarePackage;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.people.policy.Policies;

/**
 * Public keys that makers sign their firmware with, as an administrator keeps them: a maker's name and one of its keys
 * a line.
 */
@Service
public class MakersKeys {

    private static final String KEY = "firmware.keys";
    private static final int MOST_LINES = 100;
    private static final int LONGEST_LINE = 400;

    private final Policies rules;
    private final AuditTrail audit;

    MakersKeys(Policies rules, AuditTrail audit) {
        this.rules = rules;
        this.audit = audit;
    }

    /** @param keys a maker's name, a blank and the Base64 of a SubjectPublicKeyInfo (RFC 8410) each */
    public record Keys(List<String> keys) {}

    private record MakersKey(String maker, PublicKey key) {

        /** @throws DomainProblem.Invalid where it is none */
        static MakersKey parse(String line) {
            int blank = line.lastIndexOf(' ');
            try {
                if (blank > 0 && line.length() <= LONGEST_LINE) {
                    byte[] info = Base64.getDecoder().decode(line.substring(blank + 1));
                    return new MakersKey(
                            line.substring(0, blank).strip(),
                            KeyFactory.getInstance(FirmwarePackage.ALGORITHM)
                                    .generatePublic(new X509EncodedKeySpec(info)));
                }
            } catch (IllegalArgumentException | GeneralSecurityException notAKey) {
                // the sentence below says what one is
            }
            String shown = line.length() <= 40 ? line : line.substring(0, 40) + "…";
            throw new DomainProblem.Invalid("keys", Sentence.of("instruments.makersKey", "line", shown));
        }

        boolean hasSigned(String text, byte[] signature) {
            try {
                Signature verifying = Signature.getInstance(FirmwarePackage.ALGORITHM);
                verifying.initVerify(key);
                verifying.update(text.getBytes(StandardCharsets.UTF_8));
                return verifying.verify(signature);
            } catch (GeneralSecurityException e) {
                return false;
            }
        }
    }

    @Transactional(readOnly = true)
    public Keys now() {
        return new Keys(rules.text(KEY).map(text -> text.lines().toList()).orElse(List.of()));
    }

    @Transactional
    public Keys put(Keys wanted) {
        List<String> lines = String.join("\n", wanted.keys())
                .lines()
                .map(String::strip)
                .filter(line -> !line.isEmpty())
                .distinct()
                .toList();
        if (lines.size() > MOST_LINES) {
            throw new DomainProblem.Invalid("keys", Sentence.of("instruments.mostKeys", "most", MOST_LINES));
        }
        lines.forEach(MakersKey::parse);
        Keys before = now();
        Keys after = new Keys(lines);
        rules.put(KEY, String.join("\n", lines));
        audit.note("change makers' keys", "rules", "makers-keys", before, after);
        return after;
    }

    /** The maker whose key signed a text; empty where none of those that are kept did. */
    @Transactional(readOnly = true)
    public Optional<String> signer(String text, byte[] signature) {
        return now().keys().stream()
                .map(MakersKey::parse)
                .filter(key -> key.hasSigned(text, signature))
                .map(MakersKey::maker)
                .findFirst();
    }
}
