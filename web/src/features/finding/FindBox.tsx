import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { AutoComplete, Input, type InputRef } from "antd";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { day } from "../../ui/days";
import { useKeys } from "../../ui/keys";
import { meOptions } from "../access/sessionQueries";
import { findAddress, suggestionsOptions } from "./findQueries";
import { readAddress } from "./foundTrail";
import { placesFor } from "./places";
import "./finding.css";

/**
 * The one find box: people, papers by name, places of the product, and words in all papers. While
 * the answer for the words that stand in it is awaited, the former offers cannot be chosen; Enter
 * then waits, and opens the first offer for these words.
 */
export function FindBox() {
  const [text, setText] = useState("");
  const input = useRef<InputRef>(null);
  const navigate = useNavigate();
  const typed = text.trim();
  const [entered, setEntered] = useState("");
  const asked = useQuery({ ...suggestionsOptions(typed), placeholderData: keepPreviousData });
  const waiting = typed !== "" && asked.isFetching && (asked.isPlaceholderData || !asked.isFetched);
  const found = asked.data;
  const isAdministrator = useQuery(meOptions).data?.role === "ADMINISTRATOR";
  useKeys({ "/": () => input.current?.focus() });
  const people = (found?.people ?? []).map((p) => ({
    disabled: waiting,
    value: `/files/${p.id}`,
    label: (
      <span>
        <strong>{p.name}</strong>{" "}
        <span className="muted">
          {p.number}
          {p.birthDate && ` · born ${day(p.birthDate)}`}
        </span>
      </span>
    ),
  }));
  const outsiders = (found?.outsiders ?? []).map((o) => ({
    disabled: waiting,
    value: `/outsiders/${o.id}`,
    label: (
      <span>
        <strong>{o.name}</strong>{" "}
        <span className="muted">{o.organisation ? `${o.organisation} · ` : ""}no file</span>
      </span>
    ),
  }));
  const papers = (found?.papers ?? []).map((p) => ({
    disabled: waiting,
    value: readAddress(p, ""),
    label: (
      <span className="find-offer">
        <span className="ellipsis">{p.name}</span> <span className="muted">{p.person}</span>
      </span>
    ),
  }));
  const numbers = (found?.numbers ?? []).map((n) => ({
    disabled: waiting,
    value: `${readAddress({ id: n.documentId, fileId: n.fileId }, "")}&page=${n.page}`,
    label: (
      <span className="find-offer">
        <strong className="tabular">{n.number}</strong> <span className="ellipsis">{n.paper}</span>{" "}
        <span className="muted">page {n.page}</span>
      </span>
    ),
  }));
  const places = placesFor(typed, isAdministrator).map((p) => ({
    value: p.to,
    label: <span>{p.label}</span>,
  }));
  const everywhere = {
    value: findAddress({ words: typed }),
    label: (
      <span>
        Words in all papers: <strong>{typed}</strong>
      </span>
    ),
  };
  const groups = typed
    ? [
        { label: "Numbered pages", options: numbers },
        { label: "People", options: [...people, ...outsiders] },
        { label: "Papers", options: papers },
        { label: "Places", options: places },
        { label: "Text", options: [everywhere] },
      ].filter((g) => g.options.length > 0)
    : [];
  const open = (to: string) => {
    setText("");
    setEntered("");
    input.current?.blur();
    navigate(to);
  };
  const first = groups[0]?.options[0]?.value;
  useEffect(() => {
    if (entered !== "" && entered === typed && !waiting && first) {
      open(first);
    }
  });
  return (
    <AutoComplete
      value={text}
      options={groups}
      style={{ width: "100%" }}
      defaultActiveFirstOption
      showSearch={{ onSearch: setText }}
      onSelect={open}
      onInputKeyDown={(e) => {
        const hasToWait = waiting && e.key === "Enter" && !e.nativeEvent.isComposing;
        setEntered(hasToWait ? typed : "");
        if (hasToWait) {
          e.stopPropagation();
        }
      }}
    >
      <Input
        ref={input}
        aria-label="Find people, papers and words"
        placeholder="Find people, papers, places and words"
        maxLength={500}
        suffix={<kbd>/</kbd>}
      />
    </AutoComplete>
  );
}
