package orthopur.server.release;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mail.MailSendException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.round.Entry;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Trouble;
import orthopur.server.Client;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import orthopur.server.floor.Tablet;
import orthopur.server.machines.Premises;
import tools.jackson.databind.JsonNode;

/**
 * What a supervisor is told at once: a reading that is out of range, and what may have hurt
 * somebody.
 */
@ServerTest(clock = true)
class AlarmsTest {
    @Autowired TestClock now;
    @Autowired MockMvc mvc;
    @Autowired Board board;
    @Autowired Premises premises;

    private JsonNode alarms(Tablet t) {
        now.set(t.now);
        t.sync();
        for (JsonNode m : Client.ilse(mvc).read("/api/board").body()) {
            if (m.get("code").asString().equals(t.pack.machine())) {
                return m.get("alarms");
            }
        }
        throw new IllegalStateException(t.pack.machine());
    }

    @Test
    void fromTheWeakBucketUntilItIsReadAnew() {
        Tablet t = new Tablet(Client.maren(mvc), "Maren Oyelaran", "17", "qk-sl1-end-of-shift");
        t.now = now.millis();
        String step =
                t.pack.steps().stream()
                        .filter(s -> s.reading() != null)
                        .map(PackStep::id)
                        .findFirst()
                        .orElseThrow();
        t.until(step);
        assertEquals(0, alarms(t).size());

        t.note(new Entry.ReadingTaken(step, "probe-2", 40, 18));
        JsonNode weak = alarms(t);
        assertEquals(1, weak.size(), weak.toString());
        assertTrue(
                weak.at("/0/english").asString().contains("40 mg/L at 18 °C: out of range"),
                weak.toString());
        assertTrue(weak.at("/0/english").asString().contains("No corrective action yet"));

        t.note(new Entry.CorrectiveAction(step, "Added concentrate"));
        assertTrue(alarms(t).at("/0/english").asString().contains("read it again"));

        t.note(new Entry.ReadingTaken(step, "probe-2", 110, 18));
        assertEquals(0, alarms(t).size());

        t.note(new Entry.TroubleSaid(step, Trouble.Kind.INJURY, null, "cut at the blade"));
        t.note(new Entry.TroubleSaid(step, Trouble.Kind.INTERRUPTED, null, "the door bell"));
        JsonNode hurt = alarms(t);
        assertEquals(1, hurt.size(), "being interrupted is in the record, and no alarm");
        assertTrue(
                hurt.at("/0/english")
                        .asString()
                        .contains("cut at the blade, said by Maren Oyelaran"));

        t.toTheEnd();
        now.set(t.now);
        t.sync();
        t.send(new Entry.RoundClosed(t.pack.steps().getLast().id()), "335027");
        assertEquals(0, alarms(t).size(), "who releases reads of it there");
    }

    /** Once each, and again where it could not be sent. */
    @Test
    @SuppressWarnings("unchecked")
    void anAlarmGoesOutByMailOnce() {
        Tablet t = new Tablet(Client.maren(mvc), "Maren Oyelaran", "17", "qk-sw1-daily");
        t.now = now.millis();
        t.note(
                new Entry.TroubleSaid(
                        t.pack.steps().getFirst().id(), Trouble.Kind.INJURY, null, "a cut"));
        alarms(t);
        JavaMailSender sender = mock(JavaMailSender.class);
        ObjectProvider<JavaMailSender> mail = mock(ObjectProvider.class);
        when(mail.getIfAvailable()).thenReturn(sender);
        doThrow(new MailSendException("down"))
                .doNothing()
                .when(sender)
                .send(any(SimpleMailMessage.class));
        AlarmMail alarms =
                new AlarmMail(mail, board, premises, "a@b.example", new String[] {"c@d.example"});
        int all = board.machines().stream().mapToInt(m -> m.alarms().size()).sum();
        for (int i = 0; i < 3; i++) {
            alarms.tell();
        }
        ArgumentCaptor<SimpleMailMessage> sent = ArgumentCaptor.forClass(SimpleMailMessage.class);
        verify(sender, times(all + 1)).send(sent.capture());
        assertTrue(sent.getAllValues().stream().anyMatch(m -> m.getText().contains("a cut")));
    }
}
