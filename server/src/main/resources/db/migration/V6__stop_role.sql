-- What a stop stands for. Whether it speaks for its field follows from the roles of all stops of the field and is kept
-- beside it, so that reading a field asks for no more than its own rows.
alter table stop add column role varchar(20) default 'routine' not null;
alter table stop add column area_share_pct double precision;
alter table stop add column leads boolean default true not null;

-- Where a figure comes from: of one property the best source speaks alone.
alter table indicator_value add column source varchar(12) default 'meter' not null;
alter table sighting add column source varchar(12) default 'meter' not null;
-- Codes of the notes made on the reading and of the kind it was read by, joined by spaces.
alter table sighting add column marks varchar(1000) default '' not null;

-- Whether fresh straw, wood or compost came in last autumn, where no event says so.
alter table visit add column carbon_added boolean;

-- By which version of the rules the rows above were projected from the measurements.
create table projection (version integer not null);
insert into projection (version) values (1);
