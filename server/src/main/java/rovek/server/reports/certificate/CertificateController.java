package rovek.server.reports.certificate;

import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

@RestController
@RequestMapping("/api/certificates")
class CertificateController {

    private final Certificates certificates;
    private final CertificateRegister register;
    private final CertificateSigning signing;
    private final CertifiedReadings certified;

    CertificateController(
            Certificates certificates,
            CertificateRegister register,
            CertificateSigning signing,
            CertifiedReadings certified) {
        this.certificates = certificates;
        this.register = register;
        this.signing = signing;
        this.certified = certified;
    }

    record Reason(String reason) {}

    record Proof(String number, String sha256, boolean unchanged) {}

    @GetMapping
    List<CertificateRegister.CertificateLine> register(@RequestParam(defaultValue = "") String search) {
        return register.register(search);
    }

    /** The readings of a visit that certificates in force state. */
    @GetMapping("/of-visit/{visit}")
    List<CertifiedReadings.OnCertificate> ofVisit(@PathVariable UUID visit) {
        return certified.ofVisit(visit);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    CertificateRegister.CertificateLine prepare(@RequestBody Certificates.Choice choice) {
        return certificates.prepare(choice);
    }

    @GetMapping("/{id}/preview")
    Certificates.Preview preview(@PathVariable UUID id) {
        return certificates.preview(id);
    }

    @PostMapping("/{id}/sign")
    CertificateRegister.CertificateLine sign(
            @PathVariable UUID id, @RequestBody CertificateSigning.Signature signature) {
        return signing.sign(id, signature);
    }

    @PostMapping("/{id}/withdraw")
    CertificateRegister.CertificateLine withdraw(@PathVariable UUID id, @RequestBody Reason reason) {
        return certificates.withdraw(id, reason.reason());
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void discard(@PathVariable UUID id) {
        certificates.discard(id);
    }

    /** Computes the digest of the stored paper again and compares. */
    @GetMapping("/{id}/proof")
    Proof proof(@PathVariable UUID id) {
        CertificateRegister.Paper paper = register.paper(id);
        return new Proof(paper.number(), paper.sha256(), paper.unchanged());
    }

    @GetMapping(path = "/{id}/pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(@PathVariable UUID id) {
        CertificateRegister.Paper paper = register.paper(id);
        if (!paper.unchanged()) {
            throw new DomainProblem.Conflict("changed", Sentence.of("reports.paperDamaged"));
        }
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("certificate-" + paper.number() + ".pdf")
                                .build()
                                .toString())
                .header("X-Content-SHA256", paper.sha256())
                .body(paper.pdf());
    }
}
