import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import "./theme/fonts.css";
import "./theme/base.css";
import "./features/frame/frame.css";
import { Problem } from "./api/client";
import { Routing } from "./Routing";
import { publishColours } from "./theme/scheme";

publishColours(document.documentElement);
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
      <QueryClientProvider client={queries}>
        <Routing />
      </QueryClientProvider>
    </BrowserRouter>,
  );
}
