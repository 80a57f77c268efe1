-- How often a strip was marked: one made from what was read before a later mark stays stale.
alter table field_strip add column marks bigint default 0 not null;
alter table visit_strip add column marks bigint default 0 not null;

-- The event that a done action stands for; null where it is derived from the action's id.
alter table action add column event_id uuid;

-- A hash of the picture as it was sent, to know a repeated send by; and a small size for lists.
alter table photo add column sent_hash varchar(64);
alter table photo add column small bytea;

-- Sign-ins that failed, by account and address (hashed); '*' stands for all of the other.
create table sign_in_failure (
    account varchar(64) not null,
    address varchar(64) not null,
    failures integer not null,
    last_at timestamp with time zone not null,
    succeeded boolean not null,
    primary key (account, address)
);
create index sign_in_failure_by_age on sign_in_failure (last_at);

-- Whom a stored sign-in belonged to was kept with the hash of the password: those rows go, everyone signs in once more.
delete from spring_session_attributes;
delete from spring_session;
