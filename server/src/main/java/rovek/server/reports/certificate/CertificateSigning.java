package rovek.server.reports.certificate;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.TransactionStatus;
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

/** Signs certificates and issues them under a number. */
@Service
public class CertificateSigning {

    private static final int MOST_PRINTS = 4;

    private final CertificateRepository certificates;
    private final CertificateRegister register;
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

    CertificateSigning(
            CertificateRepository certificates,
            CertificateRegister register,
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
        this.register = register;
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

    /** A signature: the reviewer's own password, and the digest of what was seen. */
    public record Signature(String password, String digest) {}

    /** Signs and issues: number, PDF and digest are made and kept together, or nothing is. */
    public CertificateRegister.CertificateLine sign(UUID id, Signature signature) {
        register.requirePrepared(id);
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
            CertificateRegister.CertificateLine issued = transaction.execute(status -> issue(
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
        CertificateEntity certificate = register.requirePrepared(id);
        CertificateComposer.Composed seen = composer.compose(certificate.visitId, certificate.checks());
        if (!Unsigned.digest(Unsigned.page(seen)).equals(digest)) {
            throw new DomainProblem.Stale(Sentence.of("thing.certificateContent"));
        }
        List<Sentence> missing = Unsigned.missing(seen, rules.now(), AuditTrail.actor());
        if (!missing.isEmpty()) {
            throw new DomainProblem.Conflict(
                    "incomplete", Sentence.of("reports.nothingSigned", "why", Sentence.joined(missing)));
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
    private CertificateRegister.CertificateLine issue(
            TransactionStatus status,
            UUID id,
            String signer,
            CertificateComposer.Composed seen,
            Function<String, Optional<Printed>> print) {
        CertificateEntity certificate = register.requirePrepared(id);
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
        CertificateRegister.CertificateLine issued = register.line(id);
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
}
