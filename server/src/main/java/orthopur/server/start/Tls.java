package orthopur.server.start;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.MessageDigest;
import java.security.cert.CertificateFactory;
import java.security.cert.X509Certificate;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** TLS with files of one's own, or with a certificate that is made at the first start. */
final class Tls {
    /** Guards nothing: the file is its owner's alone. */
    private static final String PASSWORD = "orthopur";

    /** As long as tablets take one. */
    private static final int DAYS = 820;

    private static final int SOON = 30;

    private Tls() {}

    /**
     * @param beside where the certificate that is made lies: with the key of the site
     * @return settings; empty without TLS
     */
    static Map<String, Object> check(Options o, Path beside) throws CannotStart {
        String own = o.value("--certificate");
        String key = o.value("--certificate-key");
        if ((own == null) != (key == null)) {
            throw new CannotStart(
                    "--certificate and --certificate-key go together: two files in PEM form.");
        }
        if (own != null && key != null) {
            return own(Path.of(own).toAbsolutePath(), Path.of(key).toAbsolutePath());
        }
        return o.has("--tls") ? selfSigned(beside) : Map.of();
    }

    private static Map<String, Object> own(Path certificate, Path key) throws CannotStart {
        if (!Files.isReadable(key)) {
            throw new CannotStart("--certificate-key: " + key + " cannot be read.");
        }
        try {
            X509Certificate c = parse(Files.readAllBytes(certificate));
            valid(c, "Put a new one there and start again.");
            return settings(
                    c,
                    Map.of(
                            "server.ssl.certificate", certificate.toUri().toString(),
                            "server.ssl.certificate-private-key", key.toUri().toString()));
        } catch (IOException e) {
            throw new CannotStart("--certificate: " + certificate + " cannot be read.");
        } catch (GeneralSecurityException e) {
            throw new CannotStart(
                    "--certificate: " + certificate + " holds no certificate in PEM form.");
        }
    }

    private static Map<String, Object> selfSigned(Path store) throws CannotStart {
        try {
            if (!Files.exists(store)) {
                make(store);
            }
            KeyStore keys = KeyStore.getInstance("PKCS12");
            try (InputStream in = Files.newInputStream(store)) {
                keys.load(in, PASSWORD.toCharArray());
            }
            X509Certificate c =
                    (X509Certificate) Objects.requireNonNull(keys.getCertificate("orthopur"));
            valid(
                    c,
                    "Remove "
                            + store
                            + "; the next start makes another, which each tablet has to trust anew.");
            return settings(
                    c,
                    Map.of(
                            "server.ssl.key-store",
                            store.toUri().toString(),
                            "server.ssl.key-store-password",
                            PASSWORD,
                            "server.ssl.key-store-type",
                            "PKCS12",
                            "orthopur.tls.self-signed",
                            "true"));
        } catch (IOException | GeneralSecurityException e) {
            throw new CannotStart(
                    "the certificate " + store + " cannot be read or made: " + e.getMessage());
        }
    }

    private static Map<String, Object> settings(X509Certificate c, Map<String, Object> more)
            throws GeneralSecurityException {
        Map<String, Object> all = new HashMap<>(more);
        all.put("server.ssl.enabled", "true");
        all.put("orthopur.tls.fingerprint", fingerprint(c));
        all.put(
                "orthopur.tls.pem",
                "-----BEGIN CERTIFICATE-----\n"
                        + Base64.getMimeEncoder().encodeToString(c.getEncoded())
                        + "\n-----END CERTIFICATE-----\n");
        all.put("orthopur.tls.until", c.getNotAfter().toInstant().toString());
        return all;
    }

    /** With every name and address by which this machine may be called. */
    private static void make(Path store) throws IOException, CannotStart {
        Files.createDirectories(store.toAbsolutePath().getParent());
        List<String> names = new ArrayList<>(List.of("dns:localhost", "ip:127.0.0.1"));
        String host = InetAddress.getLocalHost().getHostName();
        if (host.matches("[A-Za-z0-9.-]+")) {
            names.add("dns:" + host);
        }
        java.net.NetworkInterface.networkInterfaces()
                .flatMap(java.net.NetworkInterface::inetAddresses)
                .filter(a -> a instanceof java.net.Inet4Address && !a.isLoopbackAddress())
                .forEach(a -> names.add("ip:" + a.getHostAddress()));
        Process keytool =
                new ProcessBuilder(
                                Path.of(System.getProperty("java.home"), "bin", "keytool")
                                        .toString(),
                                "-genkeypair",
                                "-alias",
                                "orthopur",
                                "-keyalg",
                                "EC",
                                "-groupname",
                                "secp256r1",
                                "-validity",
                                Integer.toString(DAYS),
                                "-dname",
                                "CN=Orthopur " + host,
                                "-ext",
                                "san=" + String.join(",", names),
                                "-ext",
                                "bc:c=ca:true",
                                "-storetype",
                                "PKCS12",
                                "-storepass",
                                PASSWORD,
                                "-keystore",
                                store.toString())
                        .redirectErrorStream(true)
                        .start();
        try {
            String said = new String(keytool.getInputStream().readAllBytes());
            if (keytool.waitFor() != 0) {
                throw new CannotStart("no certificate can be made: " + said.strip());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CannotStart("the start was interrupted.");
        }
        if (store.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            Files.setPosixFilePermissions(store, PosixFilePermissions.fromString("rw-------"));
        }
    }

    private static X509Certificate parse(byte[] pem) throws GeneralSecurityException {
        return (X509Certificate)
                CertificateFactory.getInstance("X.509")
                        .generateCertificate(new ByteArrayInputStream(pem));
    }

    private static void valid(X509Certificate c, String otherwise) throws CannotStart {
        Instant until = c.getNotAfter().toInstant();
        Instant now = Instant.now();
        if (now.isAfter(until)) {
            throw new CannotStart(
                    "the certificate ran out on %s; every tablet would refuse it. %s"
                            .formatted(until.atZone(ZoneOffset.UTC).toLocalDate(), otherwise));
        }
        long days = java.time.Duration.between(now, until).toDays();
        if (days < SOON) {
            System.err.println(
                    "The certificate runs out in " + days + (days == 1 ? " day." : " days."));
        }
    }

    private static String fingerprint(X509Certificate c) throws GeneralSecurityException {
        return HexFormat.ofDelimiter(":")
                .withUpperCase()
                .formatHex(MessageDigest.getInstance("SHA-256").digest(c.getEncoded()));
    }
}
