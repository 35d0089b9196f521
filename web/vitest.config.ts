import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const core = fileURLToPath(new URL("../browser/target/js", import.meta.url));

export default defineConfig({
  resolve: { alias: { "orthopur-core": core } },
  test: { environment: "node", include: ["src/**/*.test.{ts,tsx}"], testTimeout: 30_000 },
});
