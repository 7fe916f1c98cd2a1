CREATE TABLE `trial_verdicts` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`trial_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`person_id` char(36),
	`choice` varchar(4) NOT NULL,
	CONSTRAINT `trial_verdicts_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `trials` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`change_tried` varchar(200) NOT NULL,
	`judge` varchar(8) NOT NULL,
	`control_lot_id` char(36) NOT NULL,
	`changed_lot_id` char(36) NOT NULL,
	`changed` char(1) NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`ended_at` datetime(3),
	`person_id` char(36),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `trials_id` PRIMARY KEY(`id`),
	CONSTRAINT `trials_house` UNIQUE(`house_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `trial_verdicts` ADD CONSTRAINT `trial_verdicts_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `trial_verdicts` ADD CONSTRAINT `trial_verdicts_trial` FOREIGN KEY (`house_id`,`trial_id`) REFERENCES `trials`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `trials` ADD CONSTRAINT `trials_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `trials` ADD CONSTRAINT `trials_control` FOREIGN KEY (`house_id`,`control_lot_id`) REFERENCES `lots`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `trials` ADD CONSTRAINT `trials_changed` FOREIGN KEY (`house_id`,`changed_lot_id`) REFERENCES `lots`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;