-- The server may do with its tables what it needs, and nothing to what is kept for good but add to it.
do $$
begin
    if '${appRole}' <> current_user then
        execute 'grant usage on schema public to "${appRole}"';
        execute 'grant select, insert, update, delete on all tables in schema public to "${appRole}"';
        execute 'grant usage, select on all sequences in schema public to "${appRole}"';
        execute 'revoke update, delete, truncate on trail, trail_block, record_revision, posting, posting_record, posting_line from "${appRole}"';
        execute 'revoke all on flyway_schema_history from "${appRole}"';
        execute 'grant select on flyway_schema_history to "${appRole}"';
    end if;
end $$;
