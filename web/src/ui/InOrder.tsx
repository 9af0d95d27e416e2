import { CloseOutlined, DownOutlined, UpOutlined } from "@ant-design/icons";
import { Button } from "antd";
import type { ReactNode } from "react";
import "./in-order.css";

type Item = { id: string; name: string };

type InOrderProps<T extends Item> = {
  items: T[];
  onItems: (items: T[]) => void;
  /** What is told beneath the name of one. */
  told?: (item: T) => ReactNode;
};

/** Things in an order of one's own: moved up and down, and left out. */
export function InOrder<T extends Item>({ items, onItems, told }: InOrderProps<T>) {
  const move = (at: number, by: 1 | -1) => {
    const next = [...items];
    const [item] = next.splice(at, 1);
    if (item) {
      next.splice(at + by, 0, item);
      onItems(next);
    }
  };
  return (
    <ol className="in-order">
      {items.map((item, i) => (
        <li key={item.id}>
          <div className="in-order-line">
            <span>{item.name}</span>
            <Button
              size="small"
              type="text"
              icon={<UpOutlined />}
              aria-label={`Move ${item.name} up`}
              disabled={i === 0}
              onClick={() => move(i, -1)}
            />
            <Button
              size="small"
              type="text"
              icon={<DownOutlined />}
              aria-label={`Move ${item.name} down`}
              disabled={i === items.length - 1}
              onClick={() => move(i, 1)}
            />
            <Button
              size="small"
              type="text"
              icon={<CloseOutlined />}
              aria-label={`Leave out ${item.name}`}
              disabled={items.length === 1}
              onClick={() => onItems(items.filter((other) => other !== item))}
            />
          </div>
          {told && <div className="muted tabular">{told(item)}</div>}
        </li>
      ))}
    </ol>
  );
}
