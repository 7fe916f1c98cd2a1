CREATE TABLE `house_fits` (
	`house_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`fit` json NOT NULL,
	CONSTRAINT `house_fits_house_id` PRIMARY KEY(`house_id`)
);
--> statement-breakpoint
CREATE TABLE `learned_proposals` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`name` varchar(100) NOT NULL,
	`moved_by` json NOT NULL,
	`sd_before` double NOT NULL,
	`sd_after` double NOT NULL,
	`lots` json NOT NULL,
	`rise_error_percent` json NOT NULL,
	`later_min` json,
	`state` char(10) NOT NULL,
	`made_at` datetime(3) NOT NULL,
	`decided_at` datetime(3),
	`person_id` char(36),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `learned_proposals_id` PRIMARY KEY(`id`),
	CONSTRAINT `learned_proposals_house` UNIQUE(`house_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `house_fits` ADD CONSTRAINT `house_fits_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `learned_proposals` ADD CONSTRAINT `learned_proposals_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `learned_proposals_made` ON `learned_proposals` (`house_id`,`made_at`);