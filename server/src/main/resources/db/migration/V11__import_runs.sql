-- A table of readings that is being taken in, piece by piece. What it adds carries its stamp as the moment of recording,
-- which nothing else has: others are kept to the millisecond. Gone once all of it is in, or has been taken back.
create table import_run (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    person_id uuid not null references person (id),
    stamp timestamp with time zone not null unique
);

-- What it made ('new-stop', 'new-visit') and added to ('stop', 'visit') so far.
create table import_trace (
    run_id uuid not null references import_run (id),
    practice_id uuid not null references practice (id),
    kind varchar(10) not null,
    row_id uuid not null,
    primary key (run_id, kind, row_id)
);
