CREATE TABLE `practice_results` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`received_at` datetime(3),
	`content` json NOT NULL,
	CONSTRAINT `practice_results_id` PRIMARY KEY(`id`),
	CONSTRAINT `practice_results_house` UNIQUE(`house_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `practice_results` ADD CONSTRAINT `practice_results_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `practice_results` ADD CONSTRAINT `practice_results_person_fk` FOREIGN KEY (`house_id`,`person_id`) REFERENCES `people`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `practice_results_person` ON `practice_results` (`house_id`,`person_id`,`at`);