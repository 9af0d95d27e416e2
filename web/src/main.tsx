import { QueryClient } from "@tanstack/react-query";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import "./theme/fonts.css";
import "./theme/base.css";
import "./features/frame/frame.css";
import { Problem } from "./api/client";
import { Providers } from "./Providers";
import { Routing } from "./Routing";
import { publishColours, theme } from "./theme/tokens";

publishColours(document.documentElement);
const nonce = document.querySelector<HTMLMetaElement>('meta[name="style-nonce"]')?.content ?? "";
const queries = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => count < 2 && error instanceof Problem && error.status === 0,
      staleTime: 2_000,
    },
  },
});
const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <BrowserRouter useTransitions={false}>
      <Providers queries={queries} config={{ theme, csp: { nonce }, wave: { disabled: true } }}>
        <Routing />
      </Providers>
    </BrowserRouter>,
  );
}
