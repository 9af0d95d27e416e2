import { type QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { App, ConfigProvider, type ConfigProviderProps } from "antd";
import type { ReactNode } from "react";

/**
 * What every screen stands in. A router has to stand around it: notices and dialogs are drawn by the
 * innermost of these, beside the screens, and hold links and queries as those do.
 */
export function Providers({
  queries,
  config,
  children,
}: {
  queries: QueryClient;
  config: ConfigProviderProps;
  children: ReactNode;
}) {
  return (
    <ConfigProvider {...config}>
      <QueryClientProvider client={queries}>
        <App style={{ height: "100%" }} message={{ duration: 6 }}>
          {children}
        </App>
      </QueryClientProvider>
    </ConfigProvider>
  );
}
