import { Node } from "@tiptap/react";

/** As the browser shows a millimetre of paper. */
const PIXELS_OF_MM = 96 / 25.4;

/** A place where something known will stand; its name shows in the text. */
export const PlaceNode = Node.create({
  name: "place",
  group: "inline",
  inline: true,
  atom: true,
  addAttributes() {
    return {
      what: { default: "" },
      format: { default: "PLAIN" },
      otherwise: { default: null },
      mustBeKnown: { default: false },
    };
  },
  parseHTML() {
    return [
      {
        tag: "span[data-place]",
        getAttrs: (element) => ({
          what: element.getAttribute("data-place"),
          format: element.getAttribute("data-format") ?? "PLAIN",
          otherwise: element.getAttribute("data-otherwise"),
          mustBeKnown: element.getAttribute("data-must") === "true",
        }),
      },
    ];
  },
  renderHTML({ node }) {
    const { what, format, otherwise, mustBeKnown } = node.attrs;
    return [
      "span",
      {
        class: mustBeKnown ? "letter-place must" : "letter-place",
        "data-place": what,
        "data-format": format,
        "data-must": String(mustBeKnown),
        ...(otherwise ? { "data-otherwise": otherwise } : {}),
        title: [mustBeKnown ? "must be known" : "", otherwise ? `otherwise: ${otherwise}` : ""]
          .filter(Boolean)
          .join(", "),
      },
      `{${what}}`,
    ];
  },
});

/** From here on a new page. */
export const PageBreakNode = Node.create({
  name: "pageBreak",
  group: "block",
  atom: true,
  parseHTML() {
    return [{ tag: "div[data-page-break]" }];
  },
  renderHTML() {
    return ["div", { "data-page-break": "", class: "letter-page-break" }, "new page"];
  },
});

/** A picture on a line of its own. */
export const PictureNode = Node.create({
  name: "picture",
  group: "block",
  atom: true,
  addAttributes() {
    return { id: { default: "" }, width: { default: 80 }, shows: { default: "" } };
  },
  parseHTML() {
    return [
      {
        tag: "img[data-picture]",
        getAttrs: (element) => ({
          id: element.getAttribute("data-picture"),
          width: Number(element.getAttribute("data-width")),
          shows: element.getAttribute("alt") ?? "",
        }),
      },
    ];
  },
  renderHTML({ node }) {
    const { id, width, shows } = node.attrs;
    return [
      "img",
      {
        src: `/api/letter-images/${id}`,
        "data-picture": id,
        "data-width": String(width),
        alt: shows,
        width: Math.round(width * PIXELS_OF_MM),
        class: "letter-picture",
      },
    ];
  },
});

/** A line to sign on; the words under it say whose it is. */
export const SignLineNode = Node.create({
  name: "signLine",
  group: "block",
  atom: true,
  addAttributes() {
    return { words: { default: "" } };
  },
  parseHTML() {
    return [
      {
        tag: "div[data-sign-line]",
        getAttrs: (element) => ({ words: element.getAttribute("data-sign-line") }),
      },
    ];
  },
  renderHTML({ node }) {
    return ["div", { "data-sign-line": node.attrs.words, class: "letter-sign-line" }, node.attrs.words];
  },
});
