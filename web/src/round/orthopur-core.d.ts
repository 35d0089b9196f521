/** The core's own fold and reading judge, compiled to JavaScript; see the module `browser`. */
declare module "orthopur-core/floor.js" {
  /** A round over one pack. States go in as objects and come out as JSON text. */
  export type CompiledRound = {
    start(): string;
    next(state: object, entry: object, at: number, actor: object): string;
    onTop(state: object, entries: object): string;
    atStep(state: object, step: string, at: number, actor: object): string;
    running(state: object): string;
    judge(step: string, instrument: string, strength: number, celsius: number): string;
  };
  export function over(pack: object): CompiledRound;
  export function siteOnTop(newest: object, entries: object): string;
  export function siteRefuses(newest: object, entry: object, at: number, actor: object): string;
  export function solutions(newest: object, now: number): string;
  export function register(newest: object, instruments: object, days: number, now: number): string;
}

/** All calculations of the core, compiled; answers come as JSON text in the form of the server's. */
declare module "orthopur-core/calculator.js" {
  /** The mixing bench over one pack; jobs go in as objects and cards come out as JSON text. */
  export type CompiledTable = {
    mix(job: object): string;
    check(job: object, seen: number, celsius: number): string;
    changeBy(asked: object): string;
    stockLeft(product: string, days: number, celsius: number): number;
  };
  export type CompiledCalculator = {
    compute(name: string, inputs: object): string;
    bench(pack: object): CompiledTable;
  };
  export function by(version: string, figures: object): CompiledCalculator;
  export function list(): string;
}
