package orthopur.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.AnnotationUtils;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** Holds back what somebody asks for beyond two heavy answers at once. */
@Component
class FewAtOnce implements HandlerInterceptor, WebMvcConfigurer {
    static final int AT_ONCE = 2;
    private static final int PATIENCE_SECONDS = 10;
    private static final String HELD = FewAtOnce.class.getName();

    private final ConcurrentMap<String, Semaphore> underWay = new ConcurrentHashMap<>();

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this);
    }

    @Override
    public boolean preHandle(
            HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (!(handler instanceof HandlerMethod method) || !heavy(method)) {
            return true;
        }
        var who = SecurityContextHolder.getContext().getAuthentication();
        Semaphore few =
                underWay.computeIfAbsent(
                        who == null ? "" : who.getName(), k -> new Semaphore(AT_ONCE, true));
        try {
            if (!few.tryAcquire(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                throw new Said(
                        HttpStatus.TOO_MANY_REQUESTS,
                        Text.of(
                                "few-at-once.such-answers-are-under-way",
                                "{0} such answers are under way for you already. Wait until they are there.",
                                AT_ONCE));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Said(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    Text.of("few-at-once.the-server-is-going-down", "The server is going down."));
        }
        request.setAttribute(HELD, few);
        return true;
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request,
            HttpServletResponse response,
            Object handler,
            @Nullable Exception e) {
        if (request.getAttribute(HELD) instanceof Semaphore few) {
            request.removeAttribute(HELD);
            few.release();
        }
    }

    private static boolean heavy(HandlerMethod method) {
        return AnnotationUtils.findAnnotation(method.getMethod(), Heavy.class) != null
                || AnnotationUtils.findAnnotation(method.getBeanType(), Heavy.class) != null;
    }
}
