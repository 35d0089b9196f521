package orthopur.server.floor;

import orthopur.round.Entry;

/** What has to be found before a round is released; the room of the release knows. */
public interface PlansOfReleases {
    /** The plan as it stands now, to be written down with the hand-over. */
    Entry.ReleasePlanned of(Replay round);
}
