package orthopur.server.begin;

import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;

/** For whoever holds the one-time link. */
@RestController
@MayUse(anybody = true)
@RequestMapping("/api/begin")
class BeginController {
    private final Invitation invitation;
    private final Begin begin;

    BeginController(Invitation invitation, Begin begin) {
        this.invitation = invitation;
        this.begin = begin;
    }

    /**
     * Whether a link is open.
     *
     * @param site whether the site has to be described as well
     */
    record Beginning(boolean open, boolean site) {}

    /**
     * @param token from the link
     * @param site name, town, time zone and mains in the open format; only where there is none
     */
    record First(String token, String name, String password, String pin, @Nullable JsonNode site) {}

    @GetMapping
    Beginning beginning() {
        return new Beginning(invitation.token() != null, invitation.first());
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    void begin(@RequestBody First in) {
        if (!invitation.opens(in.token())) {
            throw Said.forbidden(
                    Text.of(
                            "begin-controller.this-link-is-not-the",
                            "This link is not the one that the server printed at its last start, or it was used."));
        }
        begin.with(in.name(), in.password(), in.pin(), in.site(), invitation.first());
        invitation.used();
    }
}
