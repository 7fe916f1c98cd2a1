CREATE TABLE `places` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`name` varchar(80) NOT NULL,
	`zones` json NOT NULL,
	`trays_a_position` smallint NOT NULL,
	`tubs` smallint NOT NULL,
	`room` json,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `places_id` PRIMARY KEY(`id`),
	CONSTRAINT `places_house` UNIQUE(`house_id`,`id`),
	CONSTRAINT `places_name` UNIQUE(`house_id`,`name`)
);
--> statement-breakpoint
CREATE TABLE `plans` (
	`house_id` char(36) NOT NULL,
	`version` int NOT NULL,
	`published_at` datetime(3) NOT NULL,
	`content` json NOT NULL,
	CONSTRAINT `plans_house_id_version_pk` PRIMARY KEY(`house_id`,`version`)
);
--> statement-breakpoint
ALTER TABLE `places` ADD CONSTRAINT `places_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `plans` ADD CONSTRAINT `plans_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;