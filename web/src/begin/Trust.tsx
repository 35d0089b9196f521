import { useQuery } from "@tanstack/react-query";
import { say } from "../shared/say";
import "../signin/signin.css";
import { api, message, unwrap } from "../api/client";
import { keys } from "../shared/keys";

/** How a tablet comes to trust the certificate that this server made for itself. */
export default function Trust() {
  const certificate = useQuery({
    queryKey: keys.certificate(),
    queryFn: () => unwrap(api.GET("/api/certificate")),
  });
  if (certificate.isError) {
    return (
      <main className="page-state">
        <h1>{say("begin.trust.certificate", "Certificate")}</h1>
        <p role="alert">{message(certificate.error)}</p>
      </main>
    );
  }
  const c = certificate.data;
  return (
    <main className="page trust">
      <h1>{say("begin.trust.make-this-tablet-trust-the-server", "Make this tablet trust the server")}</h1>
      {c && !c.fingerprint && (
        <p>
          {say(
            "begin.trust.this-server-has-no-certificate-of",
            "This server has no certificate of its own: it is used on this machine only, or behind a proxy.",
          )}
        </p>
      )}
      {c?.fingerprint && (
        <>
          <p>
            {say(
              "begin.trust.the-certificate-was-made-on-the",
              "The certificate was made on the server, so no tablet knows it yet. A tablet works without signal only once it trusts it. Do this once on each tablet, standing on the site’s own network.",
            )}
          </p>
          <ol>
            <li>
              <a href="/api/certificate/file" download="orthopur.crt">
                {say("begin.trust.download-the-certificate", "Download the certificate")}
              </a>{" "}
              {say("begin.trust.on-the-tablet", "on the tablet.")}
            </li>
            <li>
              {say(
                "begin.trust.open-it-in-the-tablets-settings",
                "Open it in the tablet’s settings, under security, certificates, and install it as an authority (CA) that you trust. On some tablets it has to be switched on under “certificate trust” as well.",
              )}
            </li>
            <li>
              {say(
                "begin.trust.compare-the-fingerprint-that-the-tablet",
                "Compare the fingerprint that the tablet shows with this one and with the one that the server printed when it was started. If they differ, stop and call the administrator.",
              )}
              <p className="fingerprint">
                <code>{c.fingerprint}</code>
              </p>
            </li>
            <li>
              {say(
                "begin.trust.close-the-page-and-open-it",
                "Close the page and open it again. The warning is gone.",
              )}
            </li>
          </ol>
          <p className="quiet">
            {say("begin.trust.it-holds-until", "It holds until {0}.", c.until?.slice(0, 10))}
          </p>
        </>
      )}
    </main>
  );
}
