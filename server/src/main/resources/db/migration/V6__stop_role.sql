-- What a stop stands for. Whether it speaks for its field follows from the roles of all stops of the field and is kept
-- beside it, so that reading a field asks for no more than its own rows.
alter table stop add column role varchar(20) default 'routine' not null;
alter table stop add column area_share_pct double precision;
alter table stop add column leads boolean default true not null;
