import { z } from 'zod';
import { senderSchema } from '../../catalogue/network';
import { countOf } from '../../units/number';
import { idSchema } from '../../fields/fields';
import { MOST_RECORDS, taskSchema, type Task } from '../schema';
import { defineEdit } from './definition';

/** Which setting of which device a value to type is. */
function settingOf({ controllerId, field }: Pick<Task, 'controllerId' | 'field'>): string {
  return `${controllerId} ${field}`;
}

/**
 * Values to be typed into devices. A device's setting is listed once: a later value takes the place of an earlier one, and where the
 * device holds the later one already (old and new are the same) nothing is left to type.
 */
export const addTasks = defineEdit({
  schema: z.strictObject({
    type: z.literal('addTasks'),
    tasks: z.array(taskSchema).min(1).max(MOST_RECORDS.tasks),
  }),
  label: (_show, { tasks }) => `${countOf(tasks.length, 'value')} to type into devices`,
  apply: (draft, { tasks }) => {
    for (const controllerId of new Set(tasks.map((task) => task.controllerId)))
      draft.need('controllers', controllerId);
    const settings = new Set(tasks.map(settingOf));
    draft.removeWhere('tasks', (task) => settings.has(settingOf(task)));
    draft.addAll(
      'tasks',
      tasks.filter((task) => task.old !== task.new),
    );
  },
});

/** Takes values off the list of those to type. */
export const removeTasks = defineEdit({
  schema: z.strictObject({
    type: z.literal('removeTasks'),
    taskIds: z.array(idSchema).min(1).max(MOST_RECORDS.tasks),
  }),
  label: (_show, { taskIds }) => `Put away ${countOf(taskIds.length, 'value')} that were to be typed`,
  apply: (draft, { taskIds }) => {
    const gone = new Set(taskIds);
    draft.removeWhere('tasks', (task) => gone.has(task.id));
  },
});

export const setSender = defineEdit({
  schema: z.strictObject({ type: z.literal('setSender'), sender: senderSchema.nullable() }),
  label: (_show, { sender }) => (sender ? `The sender is at ${sender.ip}` : 'No sender'),
  apply: (draft, { sender }) => draft.set('sender', sender ?? undefined),
});
