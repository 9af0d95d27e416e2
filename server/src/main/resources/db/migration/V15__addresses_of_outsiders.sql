-- addresses from which others write for a person, such as a guardian who is a guest of the file
create table contact_address (
  file_id uuid not null references person_file,
  address text not null,
  primary key (file_id, address)
);
create index contact_address_of on contact_address (address);
insert into contact_address (file_id, address)
  select distinct r.file_id, lower(a.email) from guest_right r join account a on a.id = r.account_id;
