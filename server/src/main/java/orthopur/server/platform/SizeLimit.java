package orthopur.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * No document of this work is larger than 2 MB; what is, is refused before it is read. An office
 * file has pictures in it, an archive the whole site.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SizeLimit extends OncePerRequestFilter {
    private static final long MOST = 2_000_000;
    private static final Map<String, Long> MOST_AT =
            Map.of("/api/archive", 50_000_000L, "/api/old-texts/text", 20_000_000L);

    @Override
    protected void doFilterInternal(
            HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long most = MOST_AT.getOrDefault(request.getRequestURI(), MOST);
        boolean unknownLength =
                request.getContentLengthLong() < 0
                        && request.getHeader("Transfer-Encoding") != null;
        if (request.getContentLengthLong() > most || unknownLength) {
            response.setStatus(413);
            response.setContentType("application/problem+json");
            String detail =
                    unknownLength
                            ? "The request does not say how long it is."
                            : "The request has %.1f MB; allowed are %d MB."
                                    .formatted(
                                            request.getContentLengthLong() / 1e6, most / 1_000_000);
            response.getOutputStream()
                    .write(
                            ("{\"title\":\"Too large\",\"status\":413,\"detail\":\""
                                            + detail
                                            + "\"}")
                                    .getBytes(StandardCharsets.UTF_8));
            return;
        }
        chain.doFilter(request, response);
    }
}
