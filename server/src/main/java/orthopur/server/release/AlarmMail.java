package orthopur.server.release;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.mail.MailException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import orthopur.server.machines.Premises;

/**
 * Sends each alarm once through the site's own mail server, where one is set: for the supervisor
 * who has no screen in reach. What could not be sent is tried again.
 */
@Component
class AlarmMail {
    private static final Logger LOG = LoggerFactory.getLogger(AlarmMail.class);

    private final @Nullable JavaMailSender mail;
    private final Board board;
    private final Premises premises;
    private final String from;
    private final String[] to;
    private final Set<String> told = new HashSet<>();

    AlarmMail(
            ObjectProvider<JavaMailSender> mail,
            Board board,
            Premises premises,
            @Value("${orthopur.mail.from:}") String from,
            @Value("${orthopur.mail.to:}") String[] to) {
        this.mail = mail.getIfAvailable();
        this.board = board;
        this.premises = premises;
        this.from = from;
        this.to = to.clone();
    }

    @Scheduled(fixedDelay = 15_000, initialDelay = 15_000)
    synchronized void tell() {
        JavaMailSender sender = mail;
        if (sender == null || to.length == 0) {
            return;
        }
        Map<String, Board.Machine> now = new LinkedHashMap<>();
        board.machines().forEach(m -> m.alarms().forEach(a -> now.put(m.code() + ": " + a, m)));
        told.retainAll(now.keySet());
        now.forEach(
                (alarm, machine) -> {
                    if (!told.contains(alarm) && sent(sender, alarm, machine)) {
                        told.add(alarm);
                    }
                });
    }

    private boolean sent(JavaMailSender sender, String alarm, Board.Machine machine) {
        SimpleMailMessage m = new SimpleMailMessage();
        m.setFrom(from);
        m.setTo(to);
        m.setSubject("Orthopur: " + machine.code() + " " + machine.name());
        m.setText(
                "%s%n%nFrom %s. Look at the board of Orthopur. This mail replaces no call for help."
                        .formatted(alarm, premises.now().site().name()));
        try {
            sender.send(m);
            return true;
        } catch (MailException e) {
            LOG.error("An alarm cannot be sent by mail: {}", e.getMessage());
            return false;
        }
    }
}
