import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { App as AntApp, ConfigProvider } from "antd";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import "./theme/fonts.css";
import "./theme/base.css";
import "./features/frame/frame.css";
import { Problem } from "./api/client";
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
    <ConfigProvider theme={theme} csp={{ nonce }} wave={{ disabled: true }}>
      <AntApp style={{ height: "100%" }} message={{ duration: 6 }}>
        <QueryClientProvider client={queries}>
          <BrowserRouter useTransitions={false}>
            <Routing />
          </BrowserRouter>
        </QueryClientProvider>
      </AntApp>
    </ConfigProvider>,
  );
}
