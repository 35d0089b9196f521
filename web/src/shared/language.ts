import { api, phraseBy, unwrap } from "../api/client";
import { heard, recall } from "./kept";
import { type Own, speak, spoken, type Texts } from "./say";
import type { Degrees } from "./temperature";
import type { Volumes } from "./volume";

/*
 * Which language the page speaks. It is kept on the device and read before the first screen is loaded;
 * turning to another loads the page anew, which loses nothing: what is entered is kept as it is pressed.
 */

const KEY = "speaks";

type Kept = { language: string; unit: Degrees };

/** A language as the server gives it; one that this device kept earlier may lack what documents say of their own. */
type Spoken = { texts: Texts; own?: Own };

const load = async (language: string): Promise<Spoken> =>
  language === "en"
    ? { texts: {} }
    : heard(`language:${language}`, () =>
        unwrap(api.GET("/api/languages/{code}", { params: { path: { code: language } } })),
      );

function kept(): Kept {
  try {
    return {
      language: "en",
      unit: "°C",
      ...(JSON.parse(localStorage.getItem(KEY) ?? "{}") as Partial<Kept>),
    };
  } catch {
    return { language: "en", unit: "°C" };
  }
}

/** Out of the settings of this device; they are read here before anything is drawn. */
function keptVolumes(): Volumes {
  try {
    return JSON.parse(localStorage.getItem("floor-settings") ?? "{}").volumes === "gal" ? "gal" : "L";
  } catch {
    return "L";
  }
}

/** How long the newest file of a language is waited for where an older one is kept, in ms. */
const PATIENCE = 1500;

/** The newest file; where it does not come in time, the one that this device has kept. */
async function soon(language: string): Promise<Spoken> {
  const fresh = load(language);
  const older = async () => {
    await new Promise((done) => setTimeout(done, PATIENCE));
    return (await recall<Spoken>(`language:${language}`)) ?? fresh;
  };
  return Promise.race([fresh, older()]);
}

/** Before anything is drawn; without the file of the language it is English. */
export async function begin(): Promise<void> {
  const { language, unit } = kept();
  try {
    const { texts, own } = await soon(language);
    speak(language, texts, unit, keptVolumes(), own);
  } catch {
    speak("en", {}, unit, keptVolumes());
  }
  document.documentElement.lang = spoken();
  // Only now: what it says is put together when it is loaded.
  const { sentence } = await import("./texts");
  phraseBy(sentence);
}

/** Speaks another language, or shows another unit, from the next page on; stays as it is where the file cannot be had. */
export async function turnTo(language: string, unit: Degrees): Promise<void> {
  try {
    await load(language);
  } catch {
    return;
  }
  localStorage.setItem(KEY, JSON.stringify({ language, unit }));
  location.reload();
}
