-- one word for what was entered in error
alter table document rename column voided_on to entered_in_error_on;
alter table document rename column void_reason to error_reason;

-- how a document stands is computed by the core and kept where it is searched
alter table findable add column state varchar;
update findable f set state = case
  when f.voided_on is not null then 'ENTERED_IN_ERROR'
  when f.media_type = 'application/x-denfold-awaited' then 'AWAITED'
  when f.decision = 'SENT_BACK' then 'SENT_BACK'
  when exists (
    select 1 from document_type t where t.code = any(f.types) and not
      array(select s ->> 'role' from jsonb_array_elements(t.signers) s)::varchar[] <@ f.signed_roles) then 'UNSIGNED'
  when f.decision = 'NONE' and exists (
    select 1 from document_type t where t.code = any(f.types) and t.needs_review) then 'IN_REVIEW'
  else 'FILED' end;
alter table findable
  alter column state set not null,
  add check (state in ('ENTERED_IN_ERROR', 'AWAITED', 'SENT_BACK', 'UNSIGNED', 'IN_REVIEW', 'FILED')),
  drop column voided_on,
  drop column decision,
  drop column signed_roles;

update saved_search set criteria = jsonb_set(criteria, '{states}', (
  select coalesce(jsonb_agg(upper(replace(s, ' ', '_'))), '[]') from jsonb_array_elements_text(criteria -> 'states') s))
where jsonb_typeof(criteria -> 'states') = 'array';
