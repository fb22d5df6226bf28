UPDATE `lasts` SET `shape` = json_set(`shape`, '$.kind', 'measures') WHERE json_extract(`shape`, '$.kind') = 'made';
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_remove(json_set(`decisions`, '$.upper.topFinish', json_extract(`decisions`, '$.upper.topEdge')), '$.upper.topEdge')
	WHERE json_type(`decisions`, '$.upper.topEdge') IS NOT NULL;
