package orthopur.server.begin;

import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** The certificate of this server, for tablets that do not know it yet. */
@RestController
@MayUse(anybody = true)
@RequestMapping("/api/certificate")
class CertificateController {
    private final String fingerprint;
    private final String until;
    private final String pem;

    CertificateController(
            @Value("${orthopur.tls.fingerprint:}") String fingerprint,
            @Value("${orthopur.tls.until:}") String until,
            @Value("${orthopur.tls.pem:}") String pem) {
        this.fingerprint = fingerprint;
        this.until = until;
        this.pem = pem;
    }

    /**
     * @param fingerprint SHA-256, as a tablet shows it; null without TLS
     * @param until when it runs out
     */
    record Certificate(@Nullable String fingerprint, @Nullable String until) {}

    @GetMapping
    Certificate certificate() {
        return fingerprint.isEmpty()
                ? new Certificate(null, null)
                : new Certificate(fingerprint, until);
    }

    @GetMapping("/file")
    ResponseEntity<String> file() {
        if (pem.isEmpty()) {
            throw Said.notFound(
                    Text.of(
                            "certificate-controller.this-server-has-no-certificate",
                            "This server has no certificate of its own."));
        }
        return ResponseEntity.ok()
                .header("Content-Type", "application/x-x509-ca-cert")
                .header("Content-Disposition", "attachment; filename=\"orthopur.crt\"")
                .body(pem);
    }
}
