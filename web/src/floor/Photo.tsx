import { useState } from "react";
import { photo } from "../round/entries";
import type { Round } from "../round/useRound";
import { FromFile } from "../shared/FromFile";
import { db } from "../shared/kept";
import { say } from "../shared/say";

type Props = { step: string; disabled: boolean; write: Round["write"] };

/** Long side of a kept photo in pixels: enough to see a seal, small enough to send from a cellar. */
const LONG_SIDE = 1600;

/** A photo of this step. It is made small on the device, kept, and sent before the entry that speaks of it. */
export function Photo({ step, disabled, write }: Props) {
  const [state, setState] = useState<"none" | "kept" | "bad">("none");

  async function take(file: File | undefined) {
    if (!file) {
      return;
    }
    try {
      const blob = await small(file);
      const sha256 = await digest(blob);
      await (await db()).put("photos", { sha256, blob });
      write(photo(step, sha256, say("floor.photo.photo-of-this-step", "photo of this step")));
      setState("kept");
    } catch {
      setState("bad");
    }
  }

  return (
    <FromFile
      className="floor-btn"
      disabled={disabled}
      accept="image/*"
      camera
      onFile={(file) => void take(file)}
    >
      {state === "kept"
        ? say("floor.photo.photo", "Photo ✓")
        : state === "bad"
          ? say("floor.photo.not-a-photo", "Not a photo")
          : say("floor.photo.photo-2", "Photo")}
    </FromFile>
  );
}

async function small(file: File): Promise<Blob> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, LONG_SIDE / Math.max(picture.width, picture.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext("2d")?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return new Promise((good, bad) =>
    canvas.toBlob(
      (b) => (b ? good(b) : bad(new Error(say("floor.photo.no-picture", "no picture")))),
      "image/jpeg",
      0.8,
    ),
  );
}

async function digest(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await crypto.subtle.digest("SHA-256", await blob.arrayBuffer()));
  return [...bytes].map((b) => b.toString(16).padStart(2, "0")).join("");
}
