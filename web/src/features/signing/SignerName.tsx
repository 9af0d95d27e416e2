import { useQuery } from "@tanstack/react-query";
import { Input, type InputProps } from "antd";
import { useId } from "react";
import type { Shape } from "../../api/client";
import { relationsOptions } from "../relations/relationQueries";

type SignerNameProps = Omit<InputProps, "onChange" | "list"> & {
  file: Shape<"FileAnswer">;
  onChange: (name: string) => void;
};

/** The name of a signer; the person and those who act for him are offered. */
export function SignerName({ file, onChange, ...input }: SignerNameProps) {
  const list = useId();
  const related = useQuery(relationsOptions(file.id)).data ?? [];
  return (
    <>
      <Input {...input} list={list} placeholder="full name" onChange={(e) => onChange(e.target.value)} />
      <datalist id={list}>
        <option value={file.name}>the person</option>
        {related
          .filter((r) => !r.reverse)
          .map((r) => (
            <option key={r.id} value={r.name}>
              {r.words}
            </option>
          ))}
      </datalist>
    </>
  );
}
