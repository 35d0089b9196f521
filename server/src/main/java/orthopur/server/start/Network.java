package orthopur.server.start;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.UnknownHostException;
import java.util.HashMap;
import java.util.Map;

/**
 * Where the server listens. Over a network only under TLS, or behind a proxy that has it: passwords
 * and PINs go over it.
 */
final class Network {
    private static final String HERE = "127.0.0.1";
    private static final String EVERYWHERE = "0.0.0.0";

    private Network() {}

    static Map<String, Object> check(Options o, int port, boolean tls) throws CannotStart {
        String listen = o.value("--listen", tls ? EVERYWHERE : HERE);
        InetAddress address;
        try {
            address = InetAddress.getByName(listen);
        } catch (UnknownHostException e) {
            throw new CannotStart(
                    "--listen: "
                            + listen
                            + " is no address of this machine; 0.0.0.0 is all of them.");
        }
        if (!address.isLoopbackAddress()
                && !tls
                && !o.has("--behind-proxy")
                && !o.has("--plain-http")) {
            throw new CannotStart(
                    "--listen "
                            + listen
                            + " would send passwords readable over the network. Add --tls, or --behind-proxy where a proxy has TLS, or --plain-http if you answer for it.");
        }
        try (ServerSocket s = new ServerSocket(port, 1, address)) {
            s.setReuseAddress(true);
        } catch (IOException e) {
            throw new CannotStart(
                    "port "
                            + port
                            + " is in use. Stop what uses it, or start with --port and another number.");
        }
        Map<String, Object> settings = new HashMap<>();
        settings.put("orthopur.address", listen);
        if (o.has("--behind-proxy")) {
            settings.put("server.forward-headers-strategy", "framework");
        }
        if (tls || o.has("--behind-proxy")) {
            settings.put("server.servlet.session.cookie.secure", "true");
        }
        return settings;
    }
}
