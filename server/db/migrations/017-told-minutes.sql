-- Likely minutes of a visit when it was booked, or when somebody looked at its length last: what the owner was told by. Where the
-- coat has come to ask for much more or less since, the desk says so. NULL: nobody knew, and the booked length stands for it.
ALTER TABLE booking ADD COLUMN told REAL;
