package orthopur.server.platform;

import orthopur.text.Text;

/** What somebody is told whose role a route is not for. */
public enum Otherwise {
    ROLE(Text.of("may-use.role", "Your role does not do this.")),
    PHOTOS(Text.of("may-use.photos", "Photos come from those who carry out.")),
    READS_ONLY(Text.of("may-use.reads-only", "An auditor reads only.")),
    FILES(Text.of("may-use.files", "Only a supervisor brings in files and takes the site out.")),
    TABLETS(Text.of("may-use.tablets", "Only a supervisor enrolls and withdraws tablets.")),
    TRANSLATIONS(
            Text.of(
                    "may-use.translations",
                    "Only a supervisor says what a document says in another language.")),
    RULE_BOOK(Text.of("may-use.rule-book", "Only a supervisor changes the rule book of the site.")),
    CALENDARS(
            Text.of(
                    "may-use.calendars",
                    "Only a supervisor withdraws the addresses of calendars.")),
    SHEETS(Text.of("may-use.sheets", "Only a supervisor writes machine sheets.")),
    PROCEDURES(Text.of("may-use.procedures", "Only a supervisor writes and approves procedures.")),
    LAPSED(
            Text.of(
                    "may-use.lapsed",
                    "Only a supervisor signs for a procedure that no longer passes.")),
    SUPPLIES(
            Text.of(
                    "may-use.supplies",
                    "Only a supervisor changes chemicals, vessels and the site.")),
    CHANGES(Text.of("may-use.changes", "Supervisor and auditor see what was changed.")),
    ACCOUNTS(Text.of("may-use.accounts", "Only a supervisor sees and changes accounts."));

    private final Text text;

    Otherwise(Text text) {
        this.text = text;
    }

    public Text text() {
        return text;
    }
}
