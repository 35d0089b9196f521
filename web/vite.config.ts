import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  plugins: [react()],
  build: { target: "es2022", chunkSizeWarningLimit: 700, modulePreload: { polyfill: false } },
  server: { proxy: { "/api": "http://localhost:8080" } },
});
