-- Photos of places as built are asked for by every job of their family: found without reading every photo of the yard.
CREATE INDEX evidence_as_built ON evidence (job_id)
  WHERE kind = 'photo' AND json_extract(body, '$.moment') = 'as built';
