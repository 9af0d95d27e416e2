import { TableKit } from "@tiptap/extension-table";
import { type Editor, EditorContent, useEditor, useEditorState } from "@tiptap/react";
import StarterKit from "@tiptap/starter-kit";
import { Button, Select } from "antd";
import { type ReactNode, useRef } from "react";
import { PageBreakNode, PictureNode, PlaceNode, SignLineNode } from "./editorNodes";
import type { Piece } from "./letterQueries";
import { toEditor, toPieces } from "./richText";
import "./letters.css";

const EXTENSIONS = [
  StarterKit.configure({
    heading: { levels: [1, 2, 3] },
    strike: false,
    code: false,
    codeBlock: false,
    blockquote: false,
    link: false,
    horizontalRule: false,
    trailingNode: false,
  }),
  TableKit.configure({ table: { resizable: false } }),
  PlaceNode,
  PageBreakNode,
  SignLineNode,
  PictureNode,
];

type RichEditorProps = {
  /** What it begins with; later changes of it are not heeded. */
  pieces: Piece[];
  label: string;
  onChange: (pieces: Piece[]) => void;
  /** Whether it holds lines and pictures only: no headings, lists, tables and page breaks. */
  linesOnly?: boolean;
  /** More to do with the editor, at the end of its bar. */
  more?: (editor: Editor) => ReactNode;
};

/** Rich text as a letter can hold it. */
export function RichEditor({ pieces, label, onChange, linesOnly = false, more }: RichEditorProps) {
  const first = useRef(toEditor(pieces));
  const editor = useEditor({
    extensions: EXTENSIONS,
    content: first.current,
    // the page's own styles are used: none are written into it
    injectCSS: false,
    editorProps: { attributes: { class: "rich-text", role: "textbox", "aria-label": label } },
    onUpdate: ({ editor: changed }) => onChange(toPieces(changed.getJSON())),
  });
  if (!editor) {
    return null;
  }
  return (
    <div className="rich-editor">
      <EditorBar editor={editor} linesOnly={linesOnly}>
        {more?.(editor)}
      </EditorBar>
      <EditorContent editor={editor} />
    </div>
  );
}

type Style = "p" | "1" | "2" | "3";

type EditorBarProps = { editor: Editor; linesOnly: boolean; children?: ReactNode };

/** So many of what the bar offers are looks of words. */
const LOOKS = 3;

function EditorBar({ editor, linesOnly, children }: EditorBarProps) {
  const state = useEditorState({
    editor,
    selector: ({ editor: e }) => ({
      style: (([1, 2, 3] as const).find((level) => e.isActive("heading", { level })) ?? "p").toString(),
      bold: e.isActive("bold"),
      italic: e.isActive("italic"),
      underline: e.isActive("underline"),
      bullets: e.isActive("bulletList"),
      numbers: e.isActive("orderedList"),
      table: e.isActive("table"),
    }),
  });
  const run = () => editor.chain().focus();
  const setStyle = (style: Style) =>
    style === "p"
      ? run().setParagraph().run()
      : run()
          .setHeading({ level: Number(style) as 1 | 2 | 3 })
          .run();
  const toggles: { words: string; on: boolean; act: () => void }[] = [
    { words: "Bold", on: state.bold, act: () => run().toggleBold().run() },
    { words: "Italic", on: state.italic, act: () => run().toggleItalic().run() },
    { words: "Underlined", on: state.underline, act: () => run().toggleUnderline().run() },
    { words: "List", on: state.bullets, act: () => run().toggleBulletList().run() },
    { words: "Numbered", on: state.numbers, act: () => run().toggleOrderedList().run() },
  ];
  return (
    <div className="rich-bar" role="toolbar" aria-label="Look of the text">
      {!linesOnly && (
        <Select
          size="small"
          aria-label="Style"
          value={state.style as Style}
          onChange={setStyle}
          popupMatchSelectWidth={false}
          options={[
            { value: "p", label: "Text" },
            { value: "1", label: "Title" },
            { value: "2", label: "Heading" },
            { value: "3", label: "Small heading" },
          ]}
        />
      )}
      {toggles.slice(0, linesOnly ? LOOKS : undefined).map(({ words, on, act }) => (
        <Button key={words} size="small" type={on ? "primary" : "text"} aria-pressed={on} onClick={act}>
          {words}
        </Button>
      ))}
      {!linesOnly && (
        <>
          {state.table ? (
            <>
              <Button size="small" type="text" onClick={() => run().addRowAfter().run()}>
                Row
              </Button>
              <Button size="small" type="text" onClick={() => run().addColumnAfter().run()}>
                Column
              </Button>
              <Button size="small" type="text" onClick={() => run().deleteRow().run()}>
                Row away
              </Button>
              <Button size="small" type="text" onClick={() => run().deleteTable().run()}>
                Table away
              </Button>
            </>
          ) : (
            <Button
              size="small"
              type="text"
              onClick={() => run().insertTable({ rows: 2, cols: 2, withHeaderRow: true }).run()}
            >
              Table
            </Button>
          )}
          <Button size="small" type="text" onClick={() => run().insertContent({ type: "pageBreak" }).run()}>
            New page
          </Button>
        </>
      )}
      {children}
    </div>
  );
}
