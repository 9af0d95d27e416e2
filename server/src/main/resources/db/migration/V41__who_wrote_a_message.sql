-- Colleagues who answer a guest are known by their account; two may bear one name. Of older messages it is not known.
alter table message add column by_id uuid references account (id);
