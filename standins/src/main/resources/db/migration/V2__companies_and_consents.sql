-- The one company that there was becomes one of several: its books move to a schema of its own.
create schema if not exists inkwell_saltmere;
alter table inkwell_setting set schema inkwell_saltmere;
alter table inkwell_account set schema inkwell_saltmere;
alter table inkwell_tax_code set schema inkwell_saltmere;
alter table inkwell_customer set schema inkwell_saltmere;
alter table inkwell_item set schema inkwell_saltmere;
alter table inkwell_document set schema inkwell_saltmere;
alter table inkwell_line set schema inkwell_saltmere;
alter table inkwell_journal set schema inkwell_saltmere;
alter table inkwell_journal_line set schema inkwell_saltmere;
alter table inkwell_payment set schema inkwell_saltmere;
alter table inkwell_request set schema inkwell_saltmere;
alter table inkwell_change set schema inkwell_saltmere;
alter sequence inkwell_id set schema inkwell_saltmere;

-- Consents that Inkwell's people gave to other programs, as Spring's authorization server keeps them.
create table oauth2_authorization (
    id varchar(100) not null primary key,
    registered_client_id varchar(100) not null,
    principal_name varchar(200) not null,
    authorization_grant_type varchar(100) not null,
    authorized_scopes varchar(1000),
    attributes text,
    state varchar(500),
    authorization_code_value text,
    authorization_code_issued_at timestamp,
    authorization_code_expires_at timestamp,
    authorization_code_metadata text,
    access_token_value text,
    access_token_issued_at timestamp,
    access_token_expires_at timestamp,
    access_token_metadata text,
    access_token_type varchar(100),
    access_token_scopes varchar(1000),
    oidc_id_token_value text,
    oidc_id_token_issued_at timestamp,
    oidc_id_token_expires_at timestamp,
    oidc_id_token_metadata text,
    refresh_token_value text,
    refresh_token_issued_at timestamp,
    refresh_token_expires_at timestamp,
    refresh_token_metadata text,
    user_code_value text,
    user_code_issued_at timestamp,
    user_code_expires_at timestamp,
    user_code_metadata text,
    device_code_value text,
    device_code_issued_at timestamp,
    device_code_expires_at timestamp,
    device_code_metadata text
);
