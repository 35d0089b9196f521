import { useQuery } from "@tanstack/react-query";
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
        <h1>Certificate</h1>
        <p role="alert">{message(certificate.error)}</p>
      </main>
    );
  }
  const c = certificate.data;
  return (
    <main className="page trust">
      <h1>Make this tablet trust the server</h1>
      {c && !c.fingerprint && (
        <p>This server has no certificate of its own: it is used on this machine only, or behind a proxy.</p>
      )}
      {c?.fingerprint && (
        <>
          <p>
            The certificate was made on the server, so no tablet knows it yet. A tablet works without signal
            only once it trusts it. Do this once on each tablet, standing on the site’s own network.
          </p>
          <ol>
            <li>
              <a href="/api/certificate/file" download="orthopur.crt">
                Download the certificate
              </a>{" "}
              on the tablet.
            </li>
            <li>
              Open it in the tablet’s settings, under security, certificates, and install it as an authority
              (CA) that you trust. On some tablets it has to be switched on under “certificate trust” as well.
            </li>
            <li>
              Compare the fingerprint that the tablet shows with this one and with the one that the server
              printed when it was started. If they differ, stop and call the administrator.
              <p className="fingerprint">
                <code>{c.fingerprint}</code>
              </p>
            </li>
            <li>Close the page and open it again. The warning is gone.</li>
          </ol>
          <p className="quiet">It holds until {c.until?.slice(0, 10)}.</p>
        </>
      )}
    </main>
  );
}
