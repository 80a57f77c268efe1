-- Several people score the same places: tests by id joined by commas, and how many people are expected. Scores are shown
-- once all of them are in, or once it is closed.
create table calibration (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    code varchar(8) not null unique,
    title varchar(200) not null,
    tests varchar(400) not null,
    places integer not null,
    people integer not null,
    person_id uuid not null references person (id),
    made_at timestamp with time zone not null,
    closed_at timestamp with time zone,
    version integer not null
);
create index calibration_by_practice on calibration (practice_id, made_at);

-- Who scores, by the name they gave on their phone; several may be signed in as one person.
create table calibration_member (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    calibration_id uuid not null references calibration (id),
    person_id uuid not null references person (id),
    name varchar(100) not null,
    joined_at timestamp with time zone not null,
    unique (calibration_id, name)
);

create table calibration_score (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    member_id uuid not null references calibration_member (id),
    place integer not null,
    test varchar(40) not null,
    score double precision not null,
    unique (member_id, place, test)
);
create index calibration_score_by_practice on calibration_score (practice_id);

-- What a place looked like to one of them: a small picture, base64.
create table calibration_photo (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    calibration_id uuid not null references calibration (id),
    member_id uuid not null references calibration_member (id),
    place integer not null,
    picture text not null
);
create index calibration_photo_by_calibration on calibration_photo (calibration_id, place);
