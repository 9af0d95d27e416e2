import { App, Button, Input } from "antd";

/** An address that was just made; it is shown this once. */
export function NewAddress({ address }: { address: string }) {
  const { message } = App.useApp();
  const copy = () =>
    navigator.clipboard.writeText(address).then(
      () => message.success("Copied."),
      () => message.error("Mark it and copy it by hand."),
    );
  return (
    <div className="new-address">
      <p>Put this address into your calendar program. It is shown this once.</p>
      <div className="buttons">
        <Input readOnly aria-label="The address" value={address} onFocus={(e) => e.target.select()} />
        <Button onClick={copy}>Copy</Button>
      </div>
    </div>
  );
}
