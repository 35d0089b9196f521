package orthopur.server.platform;

import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.binder.jvm.JvmMemoryMetrics;
import io.micrometer.core.instrument.binder.jvm.JvmThreadMetrics;
import io.micrometer.core.instrument.binder.system.DiskSpaceMetrics;
import io.micrometer.core.instrument.binder.system.ProcessorMetrics;
import io.micrometer.core.instrument.binder.system.UptimeMetrics;
import io.micrometer.prometheusmetrics.PrometheusConfig;
import io.micrometer.prometheusmetrics.PrometheusMeterRegistry;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What is measured while the server works, in the form that Prometheus reads. */
@Configuration
class Metrics {
    @Bean
    PrometheusMeterRegistry meters(@Value("${orthopur.data}") Path data) {
        PrometheusMeterRegistry meters = new PrometheusMeterRegistry(PrometheusConfig.DEFAULT);
        new JvmMemoryMetrics().bindTo(meters);
        new JvmThreadMetrics().bindTo(meters);
        new ProcessorMetrics().bindTo(meters);
        new UptimeMetrics().bindTo(meters);
        new DiskSpaceMetrics(data.toFile()).bindTo(meters);
        Gauge.builder(
                        "orthopur.database.bytes",
                        data.resolve("orthopur.db").toFile(),
                        f -> f.length())
                .register(meters);
        return meters;
    }
}
