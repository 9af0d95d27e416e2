-- What somebody needs besides a password, or instead of one.
create table second_factor (
  account_id uuid primary key references account (id),
  version integer not null,
  sealed_secret bytea not null,
  confirmed_at timestamptz,
  last_step bigint not null default 0,
  recovery_hashes text[] not null default '{}'
);

alter table practice add second_factor_roles text[] not null default '{}';

-- The two tables of Spring Security's passkeys, as it describes them.
create table user_entities (
  id varchar(1000) primary key,
  name varchar(300) not null,
  display_name varchar(200)
);

create table user_credentials (
  credential_id varchar(1000) primary key,
  user_entity_user_id varchar(1000) not null,
  public_key bytea not null,
  signature_count bigint,
  uv_initialized boolean,
  backup_eligible boolean not null,
  authenticator_transports varchar(1000),
  public_key_credential_type varchar(100),
  backup_state boolean not null,
  attestation_object bytea,
  attestation_client_data_json bytea,
  created timestamp,
  last_used timestamp,
  label varchar(1000) not null
);
create index on user_credentials (user_entity_user_id);
