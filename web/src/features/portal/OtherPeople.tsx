import { CloseOutlined } from "@ant-design/icons";
import { useQueries } from "@tanstack/react-query";
import { Button } from "antd";
import { fileOptions } from "../people/fileQueries";
import { PersonPicker } from "../people/PersonPicker";

/** More people for whom somebody comes, such as a second child. */
export function OtherPeople({
  value = [],
  onChange,
}: {
  value?: string[];
  onChange?: (files: string[]) => void;
}) {
  const known = useQueries({ queries: value.map((id) => fileOptions(id)) });
  return (
    <>
      <ul className="plain-list other-people">
        {value.map((id, i) => (
          <li key={id}>
            {known[i]?.data?.name ?? "…"}
            <Button
              type="text"
              size="small"
              icon={<CloseOutlined />}
              aria-label={`Leave ${known[i]?.data?.name ?? "this person"} out`}
              onClick={() => onChange?.(value.filter((other) => other !== id))}
            />
          </li>
        ))}
      </ul>
      <PersonPicker
        id="invite-others"
        value={null}
        known={[]}
        onChange={(id) => !value.includes(id) && onChange?.([...value, id])}
      />
    </>
  );
}
