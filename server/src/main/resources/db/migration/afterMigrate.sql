-- The server's role owns nothing and can neither alter tables nor disable triggers; of the trail it can only add to the end.
grant usage on schema public to ${server};
grant select, insert, update, delete on all tables in schema public to ${server};
grant usage, select on all sequences in schema public to ${server};
revoke update, delete, truncate on audit_event from ${server};
revoke insert, update, delete on flyway_schema_history from ${server};
