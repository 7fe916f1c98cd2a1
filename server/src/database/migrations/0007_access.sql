CREATE TABLE `audit` (
	`id` bigint AUTO_INCREMENT NOT NULL,
	`house_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`person_id` char(36),
	`deed` varchar(10) NOT NULL,
	`method` varchar(8) NOT NULL,
	`path` varchar(300) NOT NULL,
	CONSTRAINT `audit_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `sessions` (
	`token_hash` char(64) NOT NULL,
	`house_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`opened_at` datetime(3) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	CONSTRAINT `sessions_token_hash` PRIMARY KEY(`token_hash`)
);
--> statement-breakpoint
CREATE TABLE `shift_exceptions` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`date` date NOT NULL,
	`start_min` smallint,
	`end_min` smallint,
	`note` varchar(120) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `shift_exceptions_id` PRIMARY KEY(`id`),
	CONSTRAINT `shift_exceptions_day` UNIQUE(`house_id`,`person_id`,`date`)
);
--> statement-breakpoint
ALTER TABLE `people` ADD `role` varchar(10) DEFAULT 'hand' NOT NULL;--> statement-breakpoint
ALTER TABLE `people` ADD `secret_hash` varchar(200);--> statement-breakpoint
ALTER TABLE `people` ADD `failed_tries` smallint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `people` ADD `locked_until` datetime(3);--> statement-breakpoint
ALTER TABLE `audit` ADD CONSTRAINT `audit_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sessions` ADD CONSTRAINT `sessions_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sessions` ADD CONSTRAINT `sessions_person` FOREIGN KEY (`house_id`,`person_id`) REFERENCES `people`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shift_exceptions` ADD CONSTRAINT `shift_exceptions_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shift_exceptions` ADD CONSTRAINT `shift_exceptions_person` FOREIGN KEY (`house_id`,`person_id`) REFERENCES `people`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `audit_house` ON `audit` (`house_id`,`id`);