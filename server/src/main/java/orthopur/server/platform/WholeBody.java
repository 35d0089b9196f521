package orthopur.server.platform;

import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.HttpStatus;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;
import orthopur.text.Text;

/**
 * What a request leaves out though it has to be said is named before anything is done with it.
 * Which fields may be absent stands where they are declared: those are marked {@link Nullable}.
 */
@RestControllerAdvice
class WholeBody extends RequestBodyAdviceAdapter {
    private static final String OURS = "orthopur.server.";
    private static final int MOST = 5;

    @Override
    public boolean supports(
            MethodParameter parameter,
            Type type,
            Class<? extends HttpMessageConverter<?>> converter) {
        return true;
    }

    @Override
    public Object afterBodyRead(
            Object body,
            HttpInputMessage message,
            MethodParameter parameter,
            Type type,
            Class<? extends HttpMessageConverter<?>> converter) {
        List<String> missing = new ArrayList<>();
        look("", body, missing);
        if (!missing.isEmpty()) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    Text.of(
                            "whole-body.this-has-to-be-said",
                            "This has to be said: {0}.",
                            String.join(", ", missing.subList(0, Math.min(MOST, missing.size())))));
        }
        return body;
    }

    private static void look(String at, @Nullable Object value, List<String> missing) {
        if (value instanceof List<?> all) {
            for (int i = 0; i < all.size(); i++) {
                look(at + i + "/", all.get(i), missing);
            }
        }
        if (value == null || !value.getClass().isRecord() || !ours(value.getClass())) {
            return;
        }
        for (RecordComponent c : value.getClass().getRecordComponents()) {
            Object there = read(c, value);
            if (there != null) {
                look(at + c.getName() + "/", there, missing);
            } else if (!c.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
                missing.add(at + c.getName());
            }
        }
    }

    /** Documents have readers of their own that name every error. */
    private static boolean ours(Class<?> type) {
        return type.getName().startsWith(OURS);
    }

    private static @Nullable Object read(RecordComponent c, Object value) {
        try {
            c.getAccessor().setAccessible(true);
            return c.getAccessor().invoke(value);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }
}
