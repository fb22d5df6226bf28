CREATE TABLE `made` (
	`id` text PRIMARY KEY NOT NULL,
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
CREATE INDEX `made_pair` ON `made` (`pair_id`,`at`);