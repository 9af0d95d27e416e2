import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button, Checkbox, Dropdown, Form, Input, Modal, Radio } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, done, wordsOf } from "../../api/client";
import { type Criteria, findAddress, savedOptions, standingOptions } from "./findQueries";

/** Keeps the criteria under a name. */
export function SaveSearch({ criteria }: { criteria: Criteria }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>Save</Button>
      {open && <SaveModal criteria={criteria} onClose={() => setOpen(false)} />}
    </>
  );
}

function SaveModal({ criteria, onClose }: { criteria: Criteria; onClose: () => void }) {
  const [name, setName] = useState("");
  const [shared, setShared] = useState(false);
  const [place, setPlace] = useState<"" | "TODAY" | "FILES">("");
  const { message } = App.useApp();
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/saved-searches", { body: { name, criteria, shared, place: place || undefined } }),
      ),
    onSuccess: (saved) => {
      message.success(`Saved as “${saved.name}”.`);
      queries.invalidateQueries({ queryKey: ["saved-searches"] });
      queries.invalidateQueries({ queryKey: ["files", "saved-searches"] });
      onClose();
    },
    onError: (error) => message.error(wordsOf(error)),
  });
  return (
    <Modal
      title="Save this search"
      open
      okText="Save search"
      okButtonProps={{ disabled: name.trim() === "", loading: keep.isPending }}
      onOk={() => keep.mutate()}
      onCancel={onClose}
      width={440}
    >
      <Form layout="vertical">
        <Form.Item
          label="What it is called"
          htmlFor="search-name"
          help="An earlier search of yours of this name is replaced."
        >
          <Input
            id="search-name"
            autoFocus
            maxLength={80}
            value={name}
            onChange={(e) => setName(e.target.value)}
            onPressEnter={() => name.trim() && keep.mutate()}
          />
        </Form.Item>
        <Form.Item>
          <Checkbox checked={shared} onChange={(e) => setShared(e.target.checked)}>
            For all colleagues; each finds what he may see
          </Checkbox>
        </Form.Item>
        <Form.Item label="Where it stands with its count">
          <Radio.Group
            value={place}
            onChange={(e) => setPlace(e.target.value)}
            options={[
              { value: "", label: "only here" },
              { value: "TODAY", label: "in Today" },
              { value: "FILES", label: "in Files" },
            ]}
          />
        </Form.Item>
      </Form>
    </Modal>
  );
}

/** Searches kept under a name, to be taken again or removed. */
export function SavedSearches({ onTake }: { onTake: (criteria: Criteria) => void }) {
  const saved = useQuery(savedOptions).data ?? [];
  const { message } = App.useApp();
  const queries = useQueryClient();
  const remove = useMutation({
    mutationFn: (id: string) => done(api.DELETE("/api/saved-searches/{id}", { params: { path: { id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["saved-searches"] }),
    onError: (error) => message.error(wordsOf(error)),
  });
  if (saved.length === 0) {
    return null;
  }
  return (
    <Dropdown
      trigger={["click"]}
      menu={{
        items: saved.map((s) => ({
          key: s.id,
          label: (
            <span className="find-saved">
              <span>
                {s.name} {!s.own && <span className="muted">shared</span>}
              </span>
              {s.own && (
                <Button
                  type="text"
                  size="small"
                  aria-label={`Remove the search ${s.name}`}
                  onClick={(e) => {
                    e.stopPropagation();
                    remove.mutate(s.id);
                  }}
                >
                  ×
                </Button>
              )}
            </span>
          ),
          onClick: () => onTake(s.criteria),
        })),
      }}
    >
      <Button>Saved {saved.length}</Button>
    </Dropdown>
  );
}

/** The saved searches that stand in a place, each with how many papers it finds now. */
export function StandingSearches({ place }: { place: "TODAY" | "FILES" }) {
  const standing = useQuery(standingOptions(place)).data ?? [];
  const saved = useQuery({ ...savedOptions, enabled: standing.length > 0 }).data ?? [];
  return standing.length === 0 ? null : (
    <nav className="standing-searches" aria-label="Saved searches">
      {standing.map((s) => (
        <Link key={s.id} to={findAddress(saved.find((one) => one.id === s.id)?.criteria ?? {})}>
          {s.name} <span className="tabular">{s.papers}</span>
        </Link>
      ))}
    </nav>
  );
}
