import "@fontsource-variable/atkinson-hyperlegible-next";
import "@mantine/core/styles.css";
import "@mantine/core/styles/default-css-variables.css";
import "./tokens.css";
import { createTheme, MantineProvider } from "@mantine/core";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { begin } from "./shared/language";
import { keepUpToDate } from "./shared/update";

const theme = createTheme({ fontFamily: "var(--mantine-font-family)", primaryColor: "dark" });
const queries = new QueryClient({
  defaultOptions: {
    // Without signal a query is asked all the same and answers from what this device has kept.
    queries: { retry: 1, refetchOnWindowFocus: false, networkMode: "always" },
    mutations: { retry: 0, networkMode: "always" },
  },
});

void keepUpToDate();

const root = document.getElementById("root");
if (root) {
  await begin();
  // Only now: what a screen says is put together when its module is loaded.
  const { App } = await import("./app/App");
  createRoot(root).render(
    <StrictMode>
      {/* No style element is written at run time: the content security policy forbids it. */}
      <MantineProvider
        theme={theme}
        withCssVariables={false}
        withGlobalClasses={false}
        deduplicateCssVariables={false}
      >
        <QueryClientProvider client={queries}>
          <App />
        </QueryClientProvider>
      </MantineProvider>
    </StrictMode>,
  );
}
