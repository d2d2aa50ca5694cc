-- Acts name their step by its id: a plan that is made anew at the table has other steps in other places.
DROP TRIGGER session_event_is_kept;
UPDATE session_event
SET act = json_set(act, '$.step',
  (SELECT json_extract(s.snapshot, '$.plan.steps[' || json_extract(act, '$.step') || '].id')
   FROM session s WHERE s.id = session_event.session_id))
WHERE json_type(act, '$.step') = 'integer';

-- Which device saw it, and how far the salon's clock was ahead of that device's, as it knew then.
ALTER TABLE session_event ADD COLUMN device TEXT;
ALTER TABLE session_event ADD COLUMN clock_ms REAL;
CREATE TRIGGER session_event_is_kept BEFORE UPDATE ON session_event
BEGIN SELECT RAISE(ABORT, 'session events are append-only'); END;

-- Sessions teach once they are finished: what they taught changes only with these.
CREATE INDEX session_event_that_teaches ON session_event (kind) WHERE kind IN ('finished', 'corrected');
