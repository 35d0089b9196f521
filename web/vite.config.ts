import { fileURLToPath } from "node:url";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

/** The core's fold, compiled to JavaScript by the module `browser`. */
const core = fileURLToPath(new URL("../browser/target/js", import.meta.url));

export default defineConfig({
  resolve: { alias: { "orthopur-core": core } },
  plugins: [
    react(),
    // The page itself is kept on the device; what it shows and what is entered is kept in its own store.
    VitePWA({
      // A new version waits until nothing is going on; see app/update.ts.
      registerType: "prompt",
      injectRegister: false,
      manifest: {
        name: "Orthopur",
        short_name: "Orthopur",
        start_url: "/floor",
        display: "standalone",
        background_color: "#182229",
        theme_color: "#182229",
        icons: [{ src: "/icon.svg", sizes: "any", type: "image/svg+xml", purpose: "any" }],
      },
      workbox: {
        globPatterns: ["**/*.{js,css,html,svg,woff2}"],
        // The map of a machine is for the desk; its layout library weighs more than all the rest.
        globIgnores: ["**/Machine-*.js"],
        navigateFallbackDenylist: [/^\/api\//, /^\/swagger/],
        maximumFileSizeToCacheInBytes: 4_000_000,
      },
    }),
  ],
  build: { target: "es2022", chunkSizeWarningLimit: 700, modulePreload: { polyfill: false } },
  server: { proxy: { "/api": "http://localhost:8080" } },
});
