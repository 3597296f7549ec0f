package rovek.server.reports.certificate;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import rovek.server.base.problem.DomainProblem;
import rovek.server.people.account.Accounts;
import rovek.server.reports.certificate.CertificateEntity.State;

/** Finds certificates, prepared and issued, and the papers of those that are issued. */
@Service
public class CertificateRegister {

    private static final int MOST_LISTED = 500;

    private final CertificateRepository certificates;
    private final CertifiedReadings certified;
    private final Accounts accounts;

    CertificateRegister(CertificateRepository certificates, CertifiedReadings certified, Accounts accounts) {
        this.certificates = certificates;
        this.certified = certified;
        this.accounts = accounts;
    }

    /**
     * A line of the register.
     *
     * @param number null until it is issued
     * @param sha256 of the PDF; null until it is issued
     * @param changedSince what was done since to the readings it states, a sentence each
     */
    public record CertificateLine(
            UUID id,
            UUID visitId,
            String state,
            @Nullable String number,
            String client,
            String title,
            String preparedBy,
            String preparedAt,
            @Nullable String signedBy,
            @Nullable String issuedAt,
            @Nullable String sha256,
            @Nullable String withdrawnBecause,
            List<Sentence> changedSince) {

        private CertificateLine changedSince(List<Sentence> sentences) {
            return new CertificateLine(
                    id,
                    visitId,
                    state,
                    number,
                    client,
                    title,
                    preparedBy,
                    preparedAt,
                    signedBy,
                    issuedAt,
                    sha256,
                    withdrawnBecause,
                    sentences);
        }
    }

    /** A stored PDF and whether it still is what was signed. */
    public record Paper(String number, byte[] pdf, String sha256, boolean unchanged) {}

    @Transactional(readOnly = true)
    public Paper paper(UUID id) {
        CertificateEntity certificate = require(id);
        if (certificate.pdf == null) {
            throw new DomainProblem.Conflict("not-issued", Sentence.of("reports.notSigned"));
        }
        boolean unchanged = Sha256.of(certificate.pdf).equals(certificate.pdfSha256);
        return new Paper(certificate.number, certificate.pdf, certificate.pdfSha256, unchanged);
    }

    /** @param search part of a number, client or title; blank for all */
    @Transactional(readOnly = true)
    public List<CertificateLine> register(String search) {
        String like = "%"
                + search.strip()
                        .toLowerCase(Locale.ROOT)
                        .replace("!", "!!")
                        .replace("%", "!%")
                        .replace("_", "!_")
                + "%";
        return lines(certificates.register(like, Limit.of(MOST_LISTED)));
    }

    /** One that waits for a signature; {@code preparedBy} is a sign-in name. */
    public record Waiting(UUID id, String title, String preparedBy) {}

    /** The newest of those that wait for a signature, up to so many. */
    @Transactional(readOnly = true)
    public List<Waiting> waiting(int most) {
        return certificates.waiting(Limit.of(most));
    }

    @Transactional(readOnly = true)
    public boolean isAnyIssued() {
        return certificates.existsByNumberIsNotNull();
    }

    CertificateLine line(UUID id) {
        return lines(certificates.line(id)).get(0);
    }

    private List<CertificateLine> lines(List<CertificateRepository.Line> kept) {
        UnaryOperator<String> names = accounts.displayNames();
        List<CertificateLine> lines = kept.stream()
                .map(one -> new CertificateLine(
                        one.id(),
                        one.visitId(),
                        one.state().name(),
                        one.number(),
                        one.client(),
                        one.title(),
                        names.apply(one.preparedBy()),
                        instant(one.preparedAt()),
                        one.signedBy() == null ? null : names.apply(one.signedBy()),
                        instant(one.issuedAt()),
                        one.pdfSha256(),
                        one.withdrawnBecause(),
                        List.of()))
                .toList();
        Map<UUID, List<Sentence>> changed = certified.changedSince(lines.stream()
                .filter(line -> line.issuedAt() != null)
                .map(CertificateLine::id)
                .toList());
        return lines.stream()
                .map(line -> line.changedSince(changed.getOrDefault(line.id(), List.of())))
                .toList();
    }

    private static String instant(Instant at) {
        return at == null ? null : at.toString();
    }

    CertificateEntity require(UUID id) {
        return certificates
                .findById(id)
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.certificate")));
    }

    CertificateEntity requirePrepared(UUID id) {
        CertificateEntity certificate = require(id);
        if (certificate.state != State.PREPARED) {
            throw new DomainProblem.Conflict(
                    "already-signed", Sentence.of("reports.alreadySigned", "number", certificate.number));
        }
        return certificate;
    }
}
