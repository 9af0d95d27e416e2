import type { ThemeConfig } from "antd";

/** The colours of the product; also set as custom properties for our own style sheets. */
export const colours = {
  paper: "#FAF7F1",
  sheet: "#FFFFFF",
  rule: "#E4DED2",
  ink: "#23302C",
  muted: "#5F6963",
  juniper: "#2C5F51",
  juniperPale: "#E5EEEA",
  ochre: "#8A6108",
  ochrePale: "#F6ECD5",
  ochreBright: "#D9A441",
  clay: "#B24A2B",
  clayPale: "#FDF1ED",
  plum: "#6A4A7C",
  plumPale: "#F1EBF5",
  slate: "#5A6B7B",
  sand: "#857A63",
  rail: "#20352E",
  railInk: "#D5DED9",
  desk: "#E9E2D6",
} as const;

export const theme: ThemeConfig = {
  token: {
    colorPrimary: colours.juniper,
    colorInfo: colours.slate,
    colorSuccess: colours.juniper,
    colorWarning: colours.ochre,
    colorError: colours.clay,
    colorLink: colours.juniper,
    colorText: colours.ink,
    colorTextSecondary: colours.muted,
    colorTextDescription: colours.muted,
    colorTextPlaceholder: "#6F7873",
    colorBgLayout: colours.paper,
    colorBorder: "#D3CBBC",
    colorBorderSecondary: colours.rule,
    borderRadius: 6,
    controlHeight: 34,
    fontFamily: '"Source Sans 3", "Liberation Sans", sans-serif',
    fontSize: 14.5,
    lineHeight: 1.45,
  },
  components: {
    Button: { primaryShadow: "none", defaultShadow: "none", fontWeight: 600 },
    Table: {
      headerBg: colours.paper,
      cellPaddingBlockSM: 6,
      headerColor: colours.muted,
      rowSelectedBg: colours.juniperPale,
      rowSelectedHoverBg: colours.juniperPale,
    },
    Tabs: { horizontalItemPadding: "10px 0", horizontalItemGutter: 24 },
    Form: { itemMarginBottom: 12, verticalLabelPadding: "0 0 3px" },
    Modal: { titleFontSize: 18 },
  },
};

/** Puts the colours on the document, so that style sheets need not repeat them. */
export function publishColours(root: HTMLElement) {
  for (const [name, value] of Object.entries(colours)) {
    root.style.setProperty(`--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}`, value);
  }
}
