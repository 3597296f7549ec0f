package rovek.server.reports.certificate;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import rovek.server.people.policy.Policies;

/** A certificate before it is signed: how it looks, what is still missing, and the digest that a signature names. */
final class Unsigned {

    private Unsigned() {}

    static CertificatePage page(CertificateComposer.Composed composed) {
        return new CertificatePage(composed.content(), composed.language(), Optional.empty(), "");
    }

    /** What keeps it from being signed. */
    static List<Sentence> missing(CertificateComposer.Composed composed, Policies.Rules now, String signer) {
        List<Sentence> missing = new ArrayList<>(composed.content().missing());
        if (composed.gone() > 0) {
            missing.add(Sentence.of("reports.gone", "checks", composed.gone()));
        }
        if (now.refuseOverdue()) {
            missing.addAll(composed.content().overdue());
        }
        if (now.fileNeedsSecond()
                && composed.files().stream().anyMatch(file -> file.by().equals(signer))) {
            missing.add(Sentence.of("reports.ownFile"));
        }
        return missing;
    }

    static String digest(CertificatePage page) {
        return Sha256.of(page.html().getBytes(StandardCharsets.UTF_8));
    }
}
