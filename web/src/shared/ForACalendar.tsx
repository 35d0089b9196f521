import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap } from "../api/client";
import { say } from "./say";

type Props = {
  /** What the address gives: what is due, or what is planned for a night. */
  of: "due" | "tonight";
  /** Whose of the night; empty for everybody's. */
  person?: string;
};

/** An address that a calendar outside reads. */
export function ForACalendar({ of, person = "" }: Props) {
  const [path, setPath] = useState<string | null>(null);
  const make = useMutation({
    mutationFn: () => unwrap(api.POST("/api/due/calendar", {})),
    onSuccess: (a) => setPath(`${window.location.origin}${a.path.replace("/due/", `/${of}/`)}`),
  });
  return path === null ? (
    <button className="btn small" type="button" disabled={make.isPending} onClick={() => make.mutate()}>
      {say("due.calendar.for-a-calendar", "Address for a calendar")}
    </button>
  ) : (
    <label className="calendar-address">
      {say("due.calendar.address", "Whoever has this address reads the list; a supervisor can withdraw it.")}
      <input
        readOnly
        value={person === "" ? path : `${path}?person=${encodeURIComponent(person)}`}
        onFocus={(e) => e.currentTarget.select()}
      />
    </label>
  );
}
