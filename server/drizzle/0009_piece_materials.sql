ALTER TABLE `materials` ADD `serves` text;--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.pieceMaterials', json('{}'))
	WHERE json_type(`decisions`, '$.pieceMaterials') IS NULL;
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.materials.stay', NULL)
	WHERE json_type(`decisions`, '$.materials.stay') IS NULL;
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.materials.welt', NULL)
	WHERE json_type(`decisions`, '$.materials.welt') IS NULL;
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.materials.shank', NULL)
	WHERE json_type(`decisions`, '$.materials.shank') IS NULL;
