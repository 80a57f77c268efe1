-- What confirmed an action before money was spent on it.
alter table action add column confirmed_by varchar(200);
