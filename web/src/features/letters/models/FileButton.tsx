import { Button } from "antd";
import { useRef } from "react";

/** A file as the server takes it. */
export function sent(file: File): FormData {
  const body = new FormData();
  body.append("file", file);
  return body;
}

type FileButtonProps = {
  words: string;
  size?: "small";
  label: string;
  accept: string;
  isBusy: boolean;
  onFile: (file: File) => void;
};

/** Lets a file be chosen, which is sent at once. */
export function FileButton({ words, size, label, accept, isBusy, onFile }: FileButtonProps) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...(size ? { size } : {})} loading={isBusy} onClick={() => picker.current?.click()}>
        {words}
      </Button>
      <input
        ref={picker}
        type="file"
        hidden
        accept={accept}
        aria-label={label}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          if (file) {
            onFile(file);
          }
        }}
      />
    </>
  );
}
