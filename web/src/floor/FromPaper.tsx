import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, message, unwrap } from "../api/client";
import { say } from "../shared/say";
import { siteNow } from "../shared/siteNow";

/** As a field for date and time takes it, by this device's clock. */
export function written(at: number): string {
  const d = new Date(at);
  const two = (n: number) => String(n).padStart(2, "0");
  return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}T${two(d.getHours())}:${two(d.getMinutes())}`;
}

const place = (round: string) => `paper:${round}`;

/**
 * The time that stands beside the next line of the paper, for a round that is entered from paper on this device;
 * null for any other. It is kept, so that whoever goes away and comes back goes on with the paper.
 */
export function usePaper(round: string): [number | null, (at: number | null) => void] {
  const [paper, setPaper] = useState(() => Number(localStorage.getItem(place(round))) || null);
  const keep = (at: number | null) => {
    const then = at === null ? null : Math.min(at, siteNow());
    if (then === null) {
      localStorage.removeItem(place(round));
    } else {
      localStorage.setItem(place(round), String(then));
    }
    setPaper(then);
  };
  return [paper, keep];
}

/** A round that was carried out on paper while the server did not answer: begins it at its time. */
export function StartFromPaper({ procedure }: { procedure: string }) {
  const [open, setOpen] = useState(false);
  const [began, setBegan] = useState(() => written(siteNow()));
  const navigate = useNavigate();
  const start = useMutation({
    mutationFn: () =>
      unwrap(api.POST("/api/rounds", { body: { procedure, onPaper: new Date(began).getTime() } })),
    onSuccess: (round) => {
      localStorage.setItem(place(round.state.id), String(new Date(began).getTime()));
      navigate(`/floor/${round.state.id}`, { replace: true });
    },
  });
  if (!open) {
    return (
      <button className="floor-btn" type="button" onClick={() => setOpen(true)}>
        {say("floor.from-paper.it-was-done-on-paper", "It was done on paper…")}
      </button>
    );
  }
  return (
    <form
      className="from-paper"
      onSubmit={(e) => {
        e.preventDefault();
        start.mutate();
      }}
    >
      <label>
        {say("floor.from-paper.begun-at-as-on-the-paper", "Begun at, as on the paper")}
        <input
          type="datetime-local"
          required
          max={written(siteNow())}
          value={began}
          onChange={(e) => setBegan(e.currentTarget.value)}
        />
      </label>
      <button className="floor-btn now" type="submit" disabled={start.isPending}>
        {say("floor.from-paper.enter-it", "Enter it")}
      </button>
      {start.isError && (
        <p className="floor-refusal" role="alert">
          {message(start.error)}
        </p>
      )}
    </form>
  );
}

/** While a round is entered from paper: the time that stands beside the next line. */
export function PaperTime(p: { at: number; onChange: (at: number | null) => void }) {
  const { at, onChange } = p;
  return (
    <div className="from-paper over-all">
      <label>
        {say("floor.from-paper.from-paper-at", "From paper, at")}
        <input
          type="datetime-local"
          step={60}
          max={written(siteNow())}
          value={written(at)}
          onChange={(e) => {
            const told = new Date(e.currentTarget.value).getTime();
            if (Number.isFinite(told)) {
              onChange(told);
            }
          }}
        />
      </label>
      <button className="floor-btn" type="button" onClick={() => onChange(at + 60_000)}>
        {say("floor.from-paper.1-min", "+ 1 min")}
      </button>
      <button className="floor-btn" type="button" onClick={() => onChange(at + 10 * 60_000)}>
        {say("floor.from-paper.10-min", "+ 10 min")}
      </button>
      <button className="floor-btn" type="button" onClick={() => onChange(null)}>
        {say("floor.from-paper.the-paper-ends-here", "The paper ends here")}
      </button>
    </div>
  );
}
