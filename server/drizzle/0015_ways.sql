CREATE TABLE `how_tos` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`name` text NOT NULL,
	`text` text NOT NULL,
	`steps` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `way_sets` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`name` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`ways` text NOT NULL,
	`recipe` text DEFAULT '' NOT NULL,
	`own` text NOT NULL
);
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.work', json('{"ways":{"lasting":"together at the back","rest":"pulled at once","pull":"by hand","puff":"pasted wet","paste":"own paste","cement":"contact cement","foldGlue":"rubber solution","edges":"dyed","holes":"punched ahead","soles":"cut to the lasted shoe","wrap":"bare","lastOut":"after the sole","heel":"nails","cup":"glued and sewn"},"recipe":"","own":[],"order":[]}'))
	WHERE json_type(`decisions`, '$.work') IS NULL;
