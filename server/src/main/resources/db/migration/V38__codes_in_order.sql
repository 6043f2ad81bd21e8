-- Codes are listed as they are compared here: sign by sign, whatever the language of the database.
create index on source_party (source_id, code collate "C");
create index on source_item (source_id, code collate "C");
