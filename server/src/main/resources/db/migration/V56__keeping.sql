-- For how many months files are kept after people left: by kind, and longer where papers of a type are in them.
create table keeping_rules (
  only_one boolean primary key check (only_one),
  version integer not null,
  by_kind jsonb not null,
  by_type jsonb not null
);
insert into keeping_rules values (true, 0, '[]', '[]');

-- Files that stay whatever the rules say.
create table keeping_hold (
  id uuid primary key,
  version integer not null,
  file_id uuid not null references person_file on delete cascade,
  reason text not null,
  until_day date,
  by_name text not null,
  at timestamptz not null,
  ended_by text,
  ended_at timestamptz
);
create index keeping_hold_file on keeping_hold (file_id);

-- What is left of a file that was destroyed: that it was, by which rule and by whom. No name of the person.
create table destroyed_file (
  id uuid primary key,
  certificate uuid not null,
  number text not null,
  kind_label text not null,
  left_on date not null,
  kept_until date not null,
  rule text not null,
  papers integer not null,
  by_name text not null,
  at timestamptz not null
);
create index destroyed_file_certificate on destroyed_file (certificate);
create index destroyed_file_at on destroyed_file (at);

-- A file takes along what lies in it. Its papers do not: they are destroyed first, with their bytes.
alter table active_span drop constraint active_span_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table ask drop constraint ask_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table calendar_feed drop constraint calendar_feed_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table changed_turn drop constraint changed_turn_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table chase_stop drop constraint chase_stop_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table confirmed_section drop constraint confirmed_section_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table contact_address drop constraint contact_address_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table desk_file drop constraint desk_file_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table fact drop constraint fact_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table file_standing drop constraint file_standing_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table findable drop constraint findable_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table guest_right drop constraint guest_right_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table hand_over drop constraint hand_over_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table letter drop constraint letter_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table mail_answer drop constraint mail_answer_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table message drop constraint message_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table not_same_person drop constraint not_same_person_one_id_fkey,
  add foreign key (one_id) references person_file on delete cascade;
alter table not_same_person drop constraint not_same_person_other_id_fkey,
  add foreign key (other_id) references person_file on delete cascade;
alter table notice drop constraint notice_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table person_file drop constraint person_file_merged_into_fkey,
  add foreign key (merged_into) references person_file on delete cascade;
alter table person_merge drop constraint person_merge_gone_id_fkey,
  add foreign key (gone_id) references person_file on delete cascade;
alter table person_merge drop constraint person_merge_kept_id_fkey,
  add foreign key (kept_id) references person_file on delete cascade;
alter table relation drop constraint relation_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table relation drop constraint relation_other_file_id_fkey,
  add foreign key (other_file_id) references person_file on delete cascade;
alter table share drop constraint share_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table slot drop constraint slot_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table told drop constraint told_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table visit drop constraint visit_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;
alter table waiver drop constraint waiver_file_id_fkey,
  add foreign key (file_id) references person_file on delete cascade;

-- What came in for a file and was not filed is anybody's again.
alter table arrival drop constraint arrival_file_id_fkey,
  add foreign key (file_id) references person_file on delete set null;
alter table arrival drop constraint arrival_proposed_file_fkey,
  add foreign key (proposed_file) references person_file on delete set null;

-- A mail takes along what was told in it; that an address is silent stays known.
alter table told drop constraint told_notice_id_fkey,
  add foreign key (notice_id) references notice on delete cascade;
alter table mail_answer drop constraint mail_answer_notice_id_fkey,
  add foreign key (notice_id) references notice on delete cascade;
alter table silent_address drop constraint silent_address_notice_id_fkey,
  add foreign key (notice_id) references notice on delete set null;

create index hand_over_file on hand_over (file_id);
create index share_file on share (file_id);
create index guest_right_file on guest_right (file_id);
create index arrival_file on arrival (file_id) where file_id is not null;
create index arrival_proposed_file on arrival (proposed_file) where proposed_file is not null;
create index mail_answer_notice on mail_answer (notice_id);
