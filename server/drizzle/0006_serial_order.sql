CREATE TABLE `pair_cards` (
	`pair_id` text PRIMARY KEY NOT NULL,
	`made_from` text NOT NULL,
	`card` text NOT NULL,
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_made` (
	`serial` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`pair_id` text NOT NULL,
	`part` text NOT NULL,
	`name` text NOT NULL,
	`how` text NOT NULL,
	`print` text NOT NULL,
	`revision` integer NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
INSERT INTO `__new_made`("id", "pair_id", "part", "name", "how", "print", "revision", "at") SELECT "id", "pair_id", "part", "name", "how", "print", "revision", "at" FROM `made` ORDER BY "at", "id";--> statement-breakpoint
DROP TABLE `made`;--> statement-breakpoint
ALTER TABLE `__new_made` RENAME TO `made`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE UNIQUE INDEX `made_id_unique` ON `made` (`id`);--> statement-breakpoint
CREATE INDEX `made_pair` ON `made` (`pair_id`,`serial`);--> statement-breakpoint
CREATE TABLE `__new_step_events` (
	`serial` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`pair_id` text NOT NULL,
	`step` text NOT NULL,
	`what` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
INSERT INTO `__new_step_events`("id", "pair_id", "step", "what", "at") SELECT "id", "pair_id", "step", "what", "at" FROM `step_events` ORDER BY "at", "id";--> statement-breakpoint
DROP TABLE `step_events`;--> statement-breakpoint
ALTER TABLE `__new_step_events` RENAME TO `step_events`;--> statement-breakpoint
CREATE UNIQUE INDEX `step_events_id_unique` ON `step_events` (`id`);--> statement-breakpoint
CREATE INDEX `step_events_pair` ON `step_events` (`pair_id`,`step`,`serial`);--> statement-breakpoint
ALTER TABLE `pairs` ADD `left_last_id` text REFERENCES lasts(id);--> statement-breakpoint
UPDATE `pairs` SET `left_last_id` = (SELECT json_extract(r.`decisions`, '$.left.lastId') FROM `pair_revisions` r WHERE r.`pair_id` = `pairs`.`id` AND r.`revision` = `pairs`.`head` AND json_valid(r.`decisions`));
