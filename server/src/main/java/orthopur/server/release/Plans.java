package orthopur.server.release;

import org.springframework.stereotype.Component;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.release.ReleasePlan;
import orthopur.round.Entry;
import orthopur.server.floor.PlansOfReleases;
import orthopur.server.floor.Replay;
import orthopur.server.floor.RoundLog;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;

/** Makes the plan of a release by what the machine is and has shown before. */
@Component
class Plans implements PlansOfReleases {
    private final RoundLog log;
    private final Sheets sheets;
    private final Premises premises;

    Plans(RoundLog log, Sheets sheets, Premises premises) {
        this.log = log;
        this.sheets = sheets;
        this.premises = premises;
    }

    @Override
    public Entry.ReleasePlanned of(Replay r) {
        MachineSheet sheet = sheets.version(r.round().getMachine(), r.pack().sheetVersion());
        ReleasePlan plan =
                ReleasePlan.of(
                        Configuration.fitted(sheet).of(sheet),
                        r.pack(),
                        premises.now().context().book(),
                        log.before(r.round()),
                        log.swabs(r.round().getMachine(), r.round().getId()));
        return new Entry.ReleasePlanned(
                r.pack().steps().getLast().id(),
                plan.sites(),
                premises.now().site().habits().secondPerson(r.pack().kind()));
    }
}
