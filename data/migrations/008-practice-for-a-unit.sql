-- The kind, use and gross mass of unit that the shop's practice was read for; absent from what was written before it was.
ALTER TABLE job_practice ADD COLUMN unit_kind TEXT;
ALTER TABLE job_practice ADD COLUMN unit_duty TEXT;
ALTER TABLE job_practice ADD COLUMN unit_gross_kg REAL;
