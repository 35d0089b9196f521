package orthopur.server.platform;

import io.micrometer.core.instrument.MeterRegistry;
import io.micrometer.core.instrument.Timer;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.SecureRandom;
import java.util.HexFormat;
import org.jspecify.annotations.Nullable;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Gives each request a number, which stands in the answer, in every error that a user sees, and in
 * the log beside it; and counts how long requests take.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public final class Numbered extends OncePerRequestFilter {
    /** What the number is called in the answer and in the log. */
    static final String NAME = "request";

    private static final int BYTES = 4;

    private final SecureRandom random = new SecureRandom();
    private final MeterRegistry meters;

    Numbered(MeterRegistry meters) {
        this.meters = meters;
    }

    /** Of the request that is answered now; null outside of one. */
    static @Nullable String now() {
        return MDC.get(NAME);
    }

    @Override
    protected void doFilterInternal(
            HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        byte[] bytes = new byte[BYTES];
        random.nextBytes(bytes);
        String number = HexFormat.of().formatHex(bytes);
        MDC.put(NAME, number);
        response.setHeader("X-Request-Id", number);
        Timer.Sample began = Timer.start(meters);
        try {
            chain.doFilter(request, response);
        } finally {
            MDC.remove(NAME);
            began.stop(
                    meters.timer(
                            "orthopur.requests",
                            "method",
                            request.getMethod(),
                            "status",
                            response.getStatus() / 100 + "xx"));
        }
    }
}
