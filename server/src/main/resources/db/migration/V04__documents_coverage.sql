create table document (
  id uuid primary key,
  version integer not null,
  file_id uuid not null references person_file,
  type text not null references document_type,
  name text not null,
  document_date date not null,
  effective_date date,
  stated_expiry date,
  received_on date not null,
  accepted_on date,
  accepted_by text,
  sent_back_on date,
  sent_back_reason text,
  voided_on date,
  void_reason text,
  source text not null,
  filed_by text not null,
  created_at timestamptz not null
);
create index document_file on document (file_id);

create table document_version (
  document_id uuid not null references document,
  place integer not null,
  sha256 text not null references content,
  cause text not null,
  made_by text not null,
  made_at timestamptz not null,
  primary key (document_id, place)
);

create table document_signature (
  document_id uuid not null references document,
  place integer not null,
  role text not null,
  signer text not null,
  signed_on date not null,
  primary key (document_id, place)
);

create table waiver (
  id uuid primary key,
  version integer not null,
  file_id uuid not null references person_file,
  checklist text not null,
  requirement text not null,
  from_day date not null,
  to_day date,
  recorded_on date not null,
  reason text not null,
  recorded_by text not null
);
create index waiver_file on waiver (file_id);

create table slot (
  file_id uuid not null references person_file,
  checklist text not null,
  requirement text not null,
  place integer not null,
  blocking boolean not null,
  status text not null,
  since date,
  covered_through date,
  due date,
  renewal text not null,
  next_change_on date,
  next_status text,
  computed_for date not null,
  primary key (file_id, checklist, requirement)
);
create index slot_roll on slot (next_change_on) where next_change_on is not null;
create index slot_status on slot (status);

create table file_standing (
  file_id uuid primary key references person_file,
  clear boolean not null,
  clear_through date,
  open_slots integer not null,
  computed_for date not null
);
