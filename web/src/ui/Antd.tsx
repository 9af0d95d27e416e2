import { App, ConfigProvider, type ConfigProviderProps } from "antd";
import type { ReactNode } from "react";
import { useScheme } from "../theme/scheme";
import { themeOf } from "../theme/tokens";

const nonce = document.querySelector<HTMLMetaElement>('meta[name="style-nonce"]')?.content ?? "";

/**
 * What screens made of Ant Design stand in. A router has to stand around it: notices and dialogs are drawn by the
 * innermost of these, beside the screens, and hold links and queries as those do.
 */
export default function Antd({ config, children }: { config?: ConfigProviderProps; children: ReactNode }) {
  const scheme = useScheme();
  return (
    <ConfigProvider {...(config ?? { theme: themeOf(scheme), csp: { nonce }, wave: { disabled: true } })}>
      <App style={{ height: "100%" }} message={{ duration: 6 }}>
        {children}
      </App>
    </ConfigProvider>
  );
}
