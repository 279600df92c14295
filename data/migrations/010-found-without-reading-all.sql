-- Every job asks the whole shop for some few records: scrap tests, hours that closed jobs took, photos of places as built. In a yard of a million
-- readings they are found without reading through those.
CREATE INDEX evidence_rare ON evidence (kind, job_id) WHERE kind <> 'reading';
CREATE INDEX evidence_as_built ON evidence (job_id)
  WHERE kind = 'photo' AND json_extract(body, '$.moment') = 'as built';
