import type { ReactNode } from "react";
import { message } from "../api/client";
import { say } from "./say";

type WaitingProps = {
  what: string;
  /** In a page that stands already, not in its place. */
  part?: boolean;
  children?: ReactNode;
};

/** What is loading, said in one way everywhere. */
export function Waiting({ what, part = false, children }: WaitingProps) {
  return part ? (
    <p className="page-state" aria-busy="true">
      {what}
    </p>
  ) : (
    <main className="page-state" aria-busy="true">
      <h1>{what}</h1>
      {children}
    </main>
  );
}

type NotShownProps = {
  /** That it cannot be shown; absent where the page says what it is. */
  what?: string;
  error: unknown;
  again?: () => void;
  part?: boolean;
  /** Where else one may go. */
  children?: ReactNode;
};

/** What cannot be had, why, and what helps. */
export function NotShown({ what, error, again, part = false, children }: NotShownProps) {
  const Box = part ? "div" : "main";
  return (
    <Box className="page-state" role="alert">
      {what && <h1>{what}</h1>}
      <p>{message(error)}</p>
      {again && (
        <button className="btn" type="button" onClick={() => again()}>
          {say("shared.page-state.try-again", "Try again")}
        </button>
      )}
      {children}
    </Box>
  );
}
