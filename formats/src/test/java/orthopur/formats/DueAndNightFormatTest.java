package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.due.DueList;
import orthopur.due.Known;
import orthopur.machine.Problem;
import orthopur.night.Greedy;
import orthopur.night.Night;
import orthopur.night.Plan;
import orthopur.night.PlanCheck;

/** The open formats of what is due and of a night: read, refused with every error, written. */
class DueAndNightFormatTest {
    private static final String DUE =
            """
            {"days":{"zone":"Europe/London","begins":"05:00"},
             "tasks":[{"id":"t","machine":"M","name":"Clean","interval":{"days":4},"depth":"daily","risk":"food"}],
             "done":[{"task":"t","finished":"2026-03-28T22:00:00+00:00"}]}
            """;

    private static final String NIGHT =
            """
            {"from":"2026-10-24T22:00:00+01:00","until":"2026-10-25T05:00:00+00:00",
             "people":[{"id":"a","here":[{"from":0,"to":480}],"machines":["M"]}],
             "places":[{"id":"sink","slots":2}],
             "tasks":[{"id":"x","minutes":20,"trained":"M","places":["sink"]}]}
            """;

    @Test
    void whatIsDueGoesOutWithItsOffset() {
        Known known = DueFormat.read(DUE);
        var at = DueFormat.moment("2026-04-01T12:00:00+01:00");
        String out = DueFormat.write(DueList.at(known, at), at, known.days().zone());
        assertTrue(out.contains("\"due\" : \"2026-04-01T05:00:00+01:00\""), out);
        assertTrue(out.contains("\"state\" : \"due\""), out);
        assertTrue(out.contains("\"since\" : \"2026-03-28T22:00:00Z\""), out);
    }

    private static List<String> refused(Runnable read) {
        FormatError e = assertThrows(FormatError.class, read::run);
        return e.problems().stream().map(Problem::pointer).toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"days\":4 | \"days\":0 | /tasks/0/interval/days",
                "\"days\":4 | \"days\":-1 | /tasks/0/interval/days",
                "\"days\":4 | \"days\":4000 | /tasks/0/interval/days",
                "\"days\":4 | \"on\":[\"funday\"] | /tasks/0/interval/on",
                "\"days\":4 | \"count\":10 | /tasks/0/interval/counter",
                "22:00:00+00:00 | 22:00:00 | /done/0/finished",
                "\"task\":\"t\" | \"task\":\"u\" | /done/0/task",
                "Europe/London | Europe/Nowhere | /days/zone",
                "\"begins\":\"05:00\" | \"begins\":\"25:00\" | /days/begins",
                "\"risk\":\"food\" | \"risk\":\"money\" | /tasks/0/risk",
            })
    void aWrongTaskIsNamedByItsField(String right, String wrong, String pointer) {
        List<String> at = refused(() -> DueFormat.read(DUE.replace(right, wrong)));
        assertEquals(List.of(pointer), at);
    }

    @Test
    void aTaskStandsOnceAndAnEndComesAfterItsBeginning() {
        String task = DUE.substring(DUE.indexOf("[{\"id\"") + 1, DUE.indexOf("],\n \"done\""));
        assertEquals(
                List.of("/tasks/1/id"),
                refused(() -> DueFormat.read(DUE.replace(task, task + "," + task))));
        String use =
                ",\"uses\":[{\"machine\":\"M\",\"from\":\"2026-03-28T22:00:00Z\",\"to\":\"2026-03-28T21:00:00Z\"}]}";
        assertEquals(
                List.of("/uses/0/to"),
                refused(() -> DueFormat.read(DUE.strip().replaceAll("}$", use))));
    }

    @Test
    void aNightOverTheChangeOfTheClockHasEightHours() {
        NightFormat.Read read = NightFormat.read(NIGHT);
        assertEquals(480, read.night().until());
        Plan plan = new Greedy().plan(read.night(), 1);
        assertEquals(List.of(), PlanCheck.faults(read.night(), plan));
        String out = NightFormat.write(plan);
        assertTrue(out.contains("\"unplaced\" : [ ]"), out);
        assertTrue(out.contains("\"hands\" : true"), out);
        assertTrue(out.contains("\"gapPercent\""), out);
    }

    @Test
    void anEmptyListOfMachinesIsNoTrainingAtAll() {
        Plan plan = new Greedy().plan(NightFormat.read(NIGHT.replace("[\"M\"]", "[]")).night(), 1);
        assertEquals("night.nobody-may", plan.unplaced().getFirst().reason().id());
        Plan any =
                new Greedy()
                        .plan(
                                NightFormat.read(NIGHT.replace(",\"machines\":[\"M\"]", ""))
                                        .night(),
                                1);
        assertEquals(List.of(), any.unplaced());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"minutes\":20 | \"minutes\":0 | /tasks/0/minutes",
                "\"minutes\":20 | \"minutes\":1500 | /tasks/0/minutes",
                "05:00:00+00:00 | 05:00:00 | /until",
                "2026-10-25T05 | 2026-10-24T20 | /until",
                "[\"sink\"] | [\"tub\"] | /tasks/0/places",
                "\"slots\":2 | \"slots\":0 | /places/0/slots",
                "\"to\":480 | \"to\":2000 | /people/0/here/0/to",
                "\"minutes\":20 | \"minutes\":20,\"after\":[{\"task\":\"y\"}] | /tasks/0/after",
                "\"minutes\":20 | \"minutes\":20,\"running\":{\"from\":0} | /tasks/0/running/people",
                "{\"id\":\"a\", | {\"id\":\"a\",\"breaks\":[{\"from\":0,\"to\":20,\"minutes\":30}], | /people/0/breaks/0/minutes",
            })
    void aWrongNightIsNamedByItsField(String right, String wrong, String pointer) {
        List<String> at = refused(() -> NightFormat.read(NIGHT.replace(right, wrong)));
        assertEquals(List.of(pointer), at);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"minutes\":20 | \"minutes\":0 | It is 0; allowed is 1 to 1440.",
                "\"to\":480 | \"to\":2000 | It is 2000; allowed is 0 to 1440.",
                "\"tasks\" | \"heater\":{\"litres\":0,\"kilowatts\":9,\"celsius\":60,\"mainsCelsius\":9},\"tasks\" | It is 0; allowed is more than 0, up to 100000.",
            })
    void aNumberOutOfItsRangeIsToldTheWholeRange(String right, String wrong, String says) {
        FormatError e =
                assertThrows(
                        FormatError.class, () -> NightFormat.read(NIGHT.replace(right, wrong)));
        assertEquals(says, e.problems().getFirst().message());
    }

    @Test
    void twoPeopleOfOneNameAreToldApartByTheirIds() {
        String two =
                NIGHT.replace(
                        "\"people\":[",
                        "\"people\":[{\"id\":\"b\",\"name\":\"Ana\"},{\"id\":\"c\",\"name\":\"Ana\"},");
        assertEquals(3, NightFormat.read(two).night().people().size());
        assertEquals(
                List.of("/people/2/id"),
                refused(() -> NightFormat.read(two.replace("\"id\":\"c\"", "\"id\":\"a\""))));
    }

    @Test
    void whoAloneMayDoItIsSomebodyOfTheNight() {
        String one = "\"minutes\":20";
        Night by = NightFormat.read(NIGHT.replace(one, one + ",\"by\":[\"a\"]")).night();
        assertEquals(java.util.Set.of("a"), by.tasks().getFirst().by());
        assertTrue(by.people().getFirst().may(by.tasks().getFirst()));
        assertNull(NightFormat.read(NIGHT).night().tasks().getFirst().by());
        assertEquals(
                List.of("/tasks/0/by"),
                refused(() -> NightFormat.read(NIGHT.replace(one, one + ",\"by\":[\"b\"]"))));
    }

    /** What people go by is stored as it goes out, and read again. */
    @Test
    void aPlanIsReadAsItWasWritten() {
        Night night = NightFormat.read(NIGHT).night();
        Plan plan = new Greedy().plan(night, 1);
        Plan again = NightFormat.PlanDocument.of(plan).plan();
        assertEquals(plan.tasks(), again.tasks());
        assertEquals(plan.breaks(), again.breaks());
        assertEquals(plan.status(), again.status());
        assertEquals(plan.levels(), again.levels());
        assertEquals(plan.water(), again.water());
        Night nobody =
                new Night(night.until(), List.of(), night.places(), night.heater(), night.tasks());
        Plan out = new Greedy().plan(nobody, 1);
        Plan.Unplaced left = NightFormat.PlanDocument.of(out).plan().unplaced().getFirst();
        assertEquals(out.unplaced().getFirst().id(), left.id());
        assertEquals(out.unplaced().getFirst().reason().sentence(), left.reason().toString());
    }
}
