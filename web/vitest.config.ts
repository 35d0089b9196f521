import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const core = fileURLToPath(new URL("../browser/target/js", import.meta.url));

/** Screens share a window, since making one and loading the widgets takes longer than the test; what counts has its own. */
export default defineConfig({
  resolve: { alias: { "orthopur-core": core } },
  test: {
    testTimeout: 30_000,
    maxWorkers: 2,
    projects: [
      { extends: true, test: { name: "logic", environment: "node", include: ["src/**/*.test.ts"] } },
      {
        extends: true,
        test: {
          name: "screens",
          environment: "jsdom",
          include: ["src/**/*.test.tsx"],
          setupFiles: ["src/testing/between.ts"],
          isolate: false,
        },
      },
    ],
  },
});
