package rovek.server.reports.certificate;

import jakarta.annotation.Nullable;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.TransactionStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.certificate.CertificateContent;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.people.account.Accounts;
import rovek.server.people.account.SignIn;
import rovek.server.people.policy.Policies;
import rovek.server.reports.certificate.CertificateEntity.State;

/** Prepares, signs, keeps and finds certificates. What is signed is never changed, only withdrawn. */
@Service
public class Certificates {

    private static final int MOST_PRINTS = 4;

    private static final int MOST_LISTED = 500;

    private final CertificateRepository certificates;
    private final CertificateComposer composer;
    private final PdfPrinter printer;
    private final CertifiedReadings certified;
    private final Policies rules;
    private final Accounts accounts;
    private final SignIn signIn;
    private final AuditTrail audit;
    private final CertificateNumberRepository numbers;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Certificates(
            CertificateRepository certificates,
            CertificateComposer composer,
            PdfPrinter printer,
            CertifiedReadings certified,
            Policies rules,
            Accounts accounts,
            SignIn signIn,
            AuditTrail audit,
            CertificateNumberRepository numbers,
            TransactionTemplate transaction,
            Clock clock) {
        this.certificates = certificates;
        this.composer = composer;
        this.printer = printer;
        this.certified = certified;
        this.rules = rules;
        this.accounts = accounts;
        this.signIn = signIn;
        this.audit = audit;
        this.numbers = numbers;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What to certify: a visit and the checks chosen from it. */
    public record Choice(UUID visitId, List<UUID> checkIds) {}

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
            List<String> changedSince) {

        private CertificateLine changedSince(List<String> sentences) {
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

    /**
     * A prepared certificate as it would be issued.
     *
     * @param missing what keeps it from being signed
     * @param warnings what a reader should know though it may be signed
     * @param digest of its content; signing names it, so that nobody signs what he has not seen
     */
    public record Preview(UUID id, String html, List<Sentence> missing, List<Sentence> warnings, String digest) {}

    /** A signature: the reviewer's own password, and the digest of what was seen. */
    public record Signature(String password, String digest) {}

    /** A stored PDF and whether it still is what was signed. */
    public record Paper(String number, byte[] pdf, String sha256, boolean unchanged) {}

    @Transactional
    public CertificateLine prepare(Choice choice) {
        if (choice.checkIds() == null || choice.checkIds().isEmpty()) {
            throw new DomainProblem.Invalid("checkIds", Sentence.of("reports.chooseResult"));
        }
        CertificateContent content =
                composer.compose(choice.visitId(), choice.checkIds()).content();
        CertificateEntity certificate = new CertificateEntity();
        certificate.id = UUID.randomUUID();
        certificate.visitId = choice.visitId();
        certificate.state = State.PREPARED;
        certificate.client = content.client();
        certificate.title = content.work() + ", " + content.visitOn();
        certificate.checkIds = choice.checkIds().stream().map(UUID::toString).collect(Collectors.joining(","));
        certificate.preparedBy = AuditTrail.actor();
        certificate.preparedAt = clock.instant();
        certificates.save(certificate);
        certificates.flush();
        audit.note("prepare", "certificate", certificate.id, null, choice);
        return line(certificate.id);
    }

    @Transactional(readOnly = true)
    public Preview preview(UUID id) {
        CertificateEntity certificate = requirePrepared(id);
        CertificateComposer.Composed composed = composer.compose(certificate.visitId, certificate.checks());
        CertificatePage page = unsigned(composed);
        Policies.Rules now = rules.now();
        return new Preview(
                id,
                page.html(),
                missing(composed, now, AuditTrail.actor()),
                now.refuseOverdue() ? List.of() : composed.content().overdue(),
                digest(page));
    }

    private static CertificatePage unsigned(CertificateComposer.Composed composed) {
        return new CertificatePage(composed.content(), composed.language(), Optional.empty(), "");
    }

    /** What keeps it from being signed. */
    private static List<Sentence> missing(CertificateComposer.Composed composed, Policies.Rules now, String signer) {
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

    private static String digest(CertificatePage page) {
        return Sha256.of(page.html().getBytes(StandardCharsets.UTF_8));
    }

    /** Signs and issues: number, PDF and digest are made and kept together, or nothing is. */
    public CertificateLine sign(UUID id, Signature signature) {
        requirePrepared(id);
        String signer = AuditTrail.actor();
        signIn.again(signer, signature.password(), "password", "sign");
        // What is printed is what was seen, not what it would say by the time its number is free.
        CertificateComposer.Composed seen = transaction.execute(status -> seen(id, signature.digest()));
        CertificateContent signed = seen.content().signedBy(accounts.displayName(signer));
        // Printing takes a while, and whoever has the year's number keeps all others from theirs: it is printed with
        // the number that comes next,
        // and only where somebody else was given that one meanwhile, again.
        for (int tried = 1; tried < MOST_PRINTS; tried++) {
            Printed printed = printed(signed, seen.language(), comingNumber(signed.zone()));
            CertificateLine issued = transaction.execute(status -> issue(
                    status,
                    id,
                    signer,
                    seen,
                    next -> next.equals(printed.number()) ? Optional.of(printed) : Optional.empty()));
            if (issued != null) {
                return issued;
            }
        }
        return transaction.execute(status ->
                issue(status, id, signer, seen, next -> Optional.of(printed(signed, seen.language(), next))));
    }

    /** What the signer saw, if that is still what there is. */
    private CertificateComposer.Composed seen(UUID id, String digest) {
        CertificateEntity certificate = requirePrepared(id);
        CertificateComposer.Composed seen = composer.compose(certificate.visitId, certificate.checks());
        if (!digest(unsigned(seen)).equals(digest)) {
            throw new DomainProblem.Stale(Sentence.of("thing.certificateContent"));
        }
        List<Sentence> missing = missing(seen, rules.now(), AuditTrail.actor());
        if (!missing.isEmpty()) {
            throw new DomainProblem.Conflict(
                    "incomplete",
                    Sentence.of(
                            "reports.nothingSigned",
                            "why",
                            missing.stream()
                                    .reduce((one, next) -> Sentence.of("base.both", "one", one, "next", next))
                                    .orElseThrow()));
        }
        return seen;
    }

    private record Printed(String number, String html, byte[] pdf) {}

    private Printed printed(CertificateContent signed, Locale language, String number) {
        CertificatePage page = new CertificatePage(
                signed,
                language,
                Optional.of(number),
                LocalDate.ofInstant(clock.instant(), signed.zone()).toString());
        return new Printed(number, page.html(), printer.print(page));
    }

    /**
     * @param print what is to be issued under a number; empty gives the number back
     * @return null where the number was given back
     */
    @Nullable
    private CertificateLine issue(
            TransactionStatus status,
            UUID id,
            String signer,
            CertificateComposer.Composed seen,
            Function<String, Optional<Printed>> print) {
        CertificateEntity certificate = requirePrepared(id);
        Optional<Printed> found = print.apply(nextNumber(seen.content().zone()));
        if (found.isEmpty()) {
            status.setRollbackOnly();
            return null;
        }
        Printed printed = found.get();
        certificate.pdf = printed.pdf();
        certificate.pdfSha256 = Sha256.of(certificate.pdf);
        certificate.content = printed.html();
        certificate.number = printed.number();
        certificate.signedBy = signer;
        certificate.issuedAt = clock.instant();
        certificate.state = State.ISSUED;
        certificates.flush();
        certified.keep(id, seen.readings());
        CertificateLine issued = line(id);
        audit.note("sign", "certificate", id, null, issued);
        return issued;
    }

    /**
     * Numbers run from 1 in every year of the site, without gaps: the row is locked until the certificate is stored.
     */
    private String nextNumber(ZoneId zone) {
        int year = clock.instant().atZone(zone).getYear();
        numbers.take(year);
        int next = numbers.last(year).orElseThrow();
        return "%d-%04d".formatted(year, next);
    }

    /** The number that comes next if nobody signs meanwhile. */
    private String comingNumber(ZoneId zone) {
        int year = clock.instant().atZone(zone).getYear();
        int last = numbers.last(year).orElse(0);
        return "%d-%04d".formatted(year, last + 1);
    }

    @Transactional
    public CertificateLine withdraw(UUID id, String reason) {
        CertificateEntity certificate = require(id);
        if (reason == null || reason.isBlank()) {
            throw new DomainProblem.Invalid("reason", Sentence.of("reports.whyWithdrawn"));
        }
        if (certificate.state != State.ISSUED) {
            throw new DomainProblem.Conflict("not-issued", Sentence.of("reports.notIssued"));
        }
        CertificateLine before = line(id);
        certificate.state = State.WITHDRAWN;
        certificate.withdrawnBecause = reason.strip();
        certificates.flush();
        audit.note("withdraw", "certificate", id, before, line(id));
        return line(id);
    }

    /** Throws a prepared one away. */
    @Transactional
    public void discard(UUID id) {
        CertificateEntity certificate = requirePrepared(id);
        audit.note("discard", "certificate", id, line(id), null);
        certificates.delete(certificate);
    }

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
                        .toLowerCase(java.util.Locale.ROOT)
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

    private CertificateLine line(UUID id) {
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
        Map<UUID, List<String>> changed = certified.changedSince(lines.stream()
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

    private CertificateEntity require(UUID id) {
        return certificates
                .findById(id)
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.certificate")));
    }

    private CertificateEntity requirePrepared(UUID id) {
        CertificateEntity certificate = require(id);
        if (certificate.state != State.PREPARED) {
            throw new DomainProblem.Conflict(
                    "already-signed", Sentence.of("reports.alreadySigned", "number", certificate.number));
        }
        return certificate;
    }
}
