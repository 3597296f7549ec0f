-- An answer is no mere number: it is shown as yes or no.
UPDATE result SET unit = 'yes/no' WHERE result_id IN ('answer.yes', 'answer.no');
