-- By which build a summary was derived stands with the summary itself.
DROP TABLE judged_by;
