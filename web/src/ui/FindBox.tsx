import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { AutoComplete, Input, type InputRef } from "antd";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { foundOptions } from "../features/people/fileQueries";
import { day } from "./days";
import { useKeys } from "./keys";

/** The one find box: people by any part of name, number or birth date. */
export function FindBox() {
  const [text, setText] = useState("");
  const input = useRef<InputRef>(null);
  const navigate = useNavigate();
  const found = useQuery({ ...foundOptions(text), placeholderData: keepPreviousData });
  useKeys({ "/": () => input.current?.focus() });
  const options = text.trim()
    ? (found.data ?? []).map((person) => ({
        value: person.id,
        label: (
          <span>
            <strong>{person.name}</strong>{" "}
            <span className="muted">
              {person.number}
              {person.birthDate && ` · born ${day(person.birthDate)}`}
            </span>
          </span>
        ),
      }))
    : [];
  return (
    <AutoComplete
      value={text}
      options={options}
      style={{ width: "100%" }}
      defaultActiveFirstOption
      showSearch={{ onSearch: setText }}
      notFoundContent={text.trim() && found.isFetched ? "Nobody is found by that." : null}
      onSelect={(id: string) => {
        setText("");
        input.current?.blur();
        navigate(`/files/${id}`);
      }}
    >
      <Input
        ref={input}
        aria-label="Find people"
        placeholder="Find people by name, number or birth date"
        suffix={<kbd>/</kbd>}
      />
    </AutoComplete>
  );
}
