package rovek.server.reports.certificate;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.certificate.CertificateContent;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.people.policy.Policies;
import rovek.server.reports.certificate.CertificateEntity.State;

/** Prepares certificates, shows them before they are signed, and withdraws them. What is signed is never changed. */
@Service
public class Certificates {

    private final CertificateRepository certificates;
    private final CertificateRegister register;
    private final CertificateComposer composer;
    private final Policies rules;
    private final AuditTrail audit;
    private final Clock clock;

    Certificates(
            CertificateRepository certificates,
            CertificateRegister register,
            CertificateComposer composer,
            Policies rules,
            AuditTrail audit,
            Clock clock) {
        this.certificates = certificates;
        this.register = register;
        this.composer = composer;
        this.rules = rules;
        this.audit = audit;
        this.clock = clock;
    }

    /** What to certify: a visit and the checks chosen from it. */
    public record Choice(UUID visitId, List<UUID> checkIds) {}

    /**
     * A prepared certificate as it would be issued.
     *
     * @param missing what keeps it from being signed
     * @param warnings what a reader should know though it may be signed
     * @param digest of its content; signing names it, so that nobody signs what he has not seen
     */
    public record Preview(UUID id, String html, List<Sentence> missing, List<Sentence> warnings, String digest) {}

    @Transactional
    public CertificateRegister.CertificateLine prepare(Choice choice) {
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
        return register.line(certificate.id);
    }

    @Transactional(readOnly = true)
    public Preview preview(UUID id) {
        CertificateEntity certificate = register.requirePrepared(id);
        CertificateComposer.Composed composed = composer.compose(certificate.visitId, certificate.checks());
        CertificatePage page = Unsigned.page(composed);
        Policies.Rules now = rules.now();
        return new Preview(
                id,
                page.html(),
                Unsigned.missing(composed, now, AuditTrail.actor()),
                now.refuseOverdue() ? List.of() : composed.content().overdue(),
                Unsigned.digest(page));
    }

    @Transactional
    public CertificateRegister.CertificateLine withdraw(UUID id, String reason) {
        CertificateEntity certificate = register.require(id);
        if (reason == null || reason.isBlank()) {
            throw new DomainProblem.Invalid("reason", Sentence.of("reports.whyWithdrawn"));
        }
        if (certificate.state != State.ISSUED) {
            throw new DomainProblem.Conflict("not-issued", Sentence.of("reports.notIssued"));
        }
        CertificateRegister.CertificateLine before = register.line(id);
        certificate.state = State.WITHDRAWN;
        certificate.withdrawnBecause = reason.strip();
        certificates.flush();
        audit.note("withdraw", "certificate", id, before, register.line(id));
        return register.line(id);
    }

    /** Throws a prepared one away. */
    @Transactional
    public void discard(UUID id) {
        CertificateEntity certificate = register.requirePrepared(id);
        audit.note("discard", "certificate", id, register.line(id), null);
        certificates.delete(certificate);
    }
}
