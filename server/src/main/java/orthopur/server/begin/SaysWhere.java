package orthopur.server.begin;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;

/** Says where a site is reached, by which certificate, and how its first supervisor comes in. */
@Component
class SaysWhere implements ApplicationRunner {
    private final Invitation invitation;
    private final boolean demo;
    private final int port;
    private final String fingerprint;
    private final boolean selfSigned;

    SaysWhere(
            Invitation invitation,
            @Value("${orthopur.demo:false}") boolean demo,
            @Value("${orthopur.port:8080}") int port,
            @Value("${orthopur.tls.fingerprint:}") String fingerprint,
            @Value("${orthopur.tls.self-signed:false}") boolean selfSigned) {
        this.invitation = invitation;
        this.demo = demo;
        this.port = port;
        this.fingerprint = fingerprint;
        this.selfSigned = selfSigned;
    }

    @Override
    public void run(ApplicationArguments args) {
        if (!fingerprint.isEmpty()) {
            System.out.println("Certificate, SHA-256: " + fingerprint);
        }
        if (selfSigned) {
            System.out.println(
                    "It was made here; each tablet has to trust it once: " + address() + "/trust");
        }
        String token = invitation.token();
        if (token != null) {
            System.out.println(
                    invitation.first()
                            ? "Nobody can sign in yet. Open this link once, to make the first supervisor:"
                            : "Open this link once, to make a supervisor:");
            System.out.println(address() + "/begin#" + token);
        }
        if (!demo) {
            System.out.println("Orthopur is ready: " + address());
        }
        System.out.flush();
    }

    private String address() {
        return (fingerprint.isEmpty() ? "http" : "https") + "://localhost:" + port;
    }
}
