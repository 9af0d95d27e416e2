create table audit_event (
  seq bigint primary key,
  at timestamptz not null,
  actor_id uuid,
  actor_name text not null,
  action text not null,
  file_id uuid,
  document_id uuid,
  sentence text not null,
  previous_hash text not null,
  hash text not null unique
);
create index audit_event_file on audit_event (file_id, seq);
create index audit_event_document on audit_event (document_id, actor_id, action, at);

create function refuse_change_of_audit() returns trigger language plpgsql as $$
begin
  raise exception 'audit rows are append-only';
end $$;
create trigger audit_event_append_only before update or delete on audit_event
  for each row execute function refuse_change_of_audit();
create trigger audit_event_no_truncate before truncate on audit_event
  for each statement execute function refuse_change_of_audit();

create table content (
  sha256 text primary key,
  size bigint not null,
  media_type text not null,
  pages integer not null,
  stored_at timestamptz not null
);
