import { theme as antd, type ThemeConfig } from "antd";
import { palettes } from "./palettes";
import type { Scheme } from "./scheme";

/** How the components of the library look by daylight or by lamplight. */
export function themeOf(scheme: Scheme): ThemeConfig {
  const colours = palettes[scheme];
  return {
    algorithm: scheme === "dark" ? antd.darkAlgorithm : antd.defaultAlgorithm,
    token: {
      colorPrimary: colours.juniperFill,
      colorInfo: colours.slate,
      colorSuccess: colours.juniper,
      colorWarning: colours.ochre,
      colorError: colours.clay,
      colorLink: colours.juniper,
      colorText: colours.ink,
      colorTextSecondary: colours.muted,
      colorTextDescription: colours.muted,
      colorTextPlaceholder: colours.hint,
      colorBgBase: scheme === "dark" ? colours.sheet : undefined,
      colorBgContainer: colours.sheet,
      colorBgElevated: colours.sheet,
      colorBgLayout: colours.paper,
      colorBorder: colours.line,
      colorBorderSecondary: colours.rule,
      controlItemBgActive: colours.juniperPale,
      controlItemBgActiveHover: colours.juniperPale,
      borderRadius: 6,
      controlHeight: 34,
      fontFamily: '"Source Sans 3", "Liberation Sans", sans-serif',
      fontSize: 14.5,
      lineHeight: 1.45,
    },
    components: {
      Button: {
        primaryShadow: "none",
        defaultShadow: "none",
        fontWeight: 600,
        colorPrimaryText: colours.juniper,
        primaryColor: colours.onFill,
        dangerColor: colours.onFill,
      },
      Table: {
        headerBg: colours.paper,
        cellPaddingBlockSM: 6,
        headerColor: colours.muted,
        rowSelectedBg: colours.juniperPale,
        rowSelectedHoverBg: colours.juniperPale,
      },
      Tabs: {
        horizontalItemPadding: "10px 0",
        horizontalItemGutter: 24,
        itemSelectedColor: colours.juniper,
        itemHoverColor: colours.juniper,
        itemActiveColor: colours.juniper,
        inkBarColor: colours.juniper,
      },
      Form: { itemMarginBottom: 12, verticalLabelPadding: "0 0 3px" },
      Modal: { titleFontSize: 18 },
    },
  };
}
