package orthopur.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.AnnotationUtils;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** Lets in whom a route names, and nobody where a route names no one. */
@Component
class DoorKeeper implements HandlerInterceptor, WebMvcConfigurer {
    private static final String OURS = "orthopur.";

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this);
    }

    @Override
    public boolean preHandle(
            HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (!(handler instanceof HandlerMethod method)
                || !method.getBeanType().getName().startsWith(OURS)) {
            return true;
        }
        MayUse door = of(method);
        if (door == null) {
            throw Said.forbidden(
                    Text.of("door-keeper.nobody-may-use-this", "Nobody may use this."));
        }
        if (door.anybody()) {
            return true;
        }
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who == null || !(who.getPrincipal() instanceof Person person)) {
            throw new Said(
                    HttpStatus.UNAUTHORIZED,
                    Text.of("door-keeper.please-sign-in", "Please sign in."));
        }
        if (!List.of(door.value()).contains(person.role())) {
            throw Said.forbidden(door.otherwise().text());
        }
        return true;
    }

    /** What a route says, or its controller for it; null where neither does. */
    static @Nullable MayUse of(HandlerMethod method) {
        MayUse own = AnnotationUtils.findAnnotation(method.getMethod(), MayUse.class);
        return own == null
                ? AnnotationUtils.findAnnotation(method.getBeanType(), MayUse.class)
                : own;
    }
}
