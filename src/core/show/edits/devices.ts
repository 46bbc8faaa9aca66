import { z } from 'zod';
import { foundSettingsSchema } from '../../addressing/found';
import { senderSchema } from '../../network/address';
import { countOf } from '../../units/number';
import { idSchema } from '../fields';
import { deviceStateSchema, taskSchema } from '../schema';
import { defineEdit, nameOf, need } from './definition';

/** Values to be typed into devices. One that is open for the same value is put in its place. */
export const addTasks = defineEdit({
  schema: z.strictObject({ type: z.literal('addTasks'), tasks: z.array(taskSchema).min(1).max(5000) }),
  label: (_show, { tasks }) => `${countOf(tasks.length, 'value')} to type into devices`,
  apply: (draft, { tasks }) => {
    const list = (draft.tasks ??= []);
    for (const task of tasks) {
      need(draft.controllers, task.controllerId, 'controller');
      const at = list.findIndex(
        (each) =>
          !each.done &&
          each.controllerId === task.controllerId &&
          each.port === task.port &&
          each.what === task.what,
      );
      // What the device still holds is the value from before the earlier task.
      if (at === -1) list.push(task);
      else if (list[at]!.old === task.new) list.splice(at, 1);
      else list[at] = { ...task, old: list[at]!.old };
    }
    // What was set and seen on these devices is not what is planned any more.
    const touched = new Set(tasks.map((task) => task.controllerId));
    if (draft.deviceStates)
      draft.deviceStates = draft.deviceStates.filter((state) => !touched.has(state.controllerId));
  },
});

export const tickTask = defineEdit({
  schema: z.strictObject({ type: z.literal('tickTask'), taskId: idSchema, done: z.boolean() }),
  label: (show, { taskId, done }) => {
    const task = show.tasks?.find((each) => each.id === taskId);
    return `${done ? 'Typed' : 'Not typed'}: ${task ? `${task.port || nameOf(show.controllers, task.controllerId)} ${task.what} ${task.new}` : taskId}`;
  },
  apply: (draft, { taskId, done }) => {
    need(draft.tasks ?? [], taskId, 'task').done = done;
  },
});

export const clearDoneTasks = defineEdit({
  schema: z.strictObject({ type: z.literal('clearDoneTasks') }),
  label: () => 'Put away what is typed',
  apply: (draft) => {
    draft.tasks = (draft.tasks ?? []).filter((task) => !task.done);
  },
});

export const setDeviceState = defineEdit({
  schema: z.strictObject({ type: z.literal('setDeviceState'), state: deviceStateSchema }),
  label: (show, { state }) =>
    `${nameOf(show.controllers, state.controllerId)}: ${state.steps.join(', ') || 'nothing entered'}`,
  apply: (draft, { state }) => {
    need(draft.controllers, state.controllerId, 'controller');
    const rest = (draft.deviceStates ?? []).filter((each) => each.controllerId !== state.controllerId);
    draft.deviceStates = state.steps.length > 0 ? [...rest, state] : rest;
  },
});

/** What was found on a device or in a sender; it takes the place of what was found there before. */
export const recordFound = defineEdit({
  schema: z.strictObject({ type: z.literal('recordFound'), found: foundSettingsSchema }),
  label: (show, { found }) =>
    `Found ${found.where === 'sender' ? 'in the sender for' : 'on'} ${nameOf(show.controllers, found.controllerId)}`,
  apply: (draft, { found }) => {
    need(draft.controllers, found.controllerId, 'controller');
    const rest = (draft.found ?? []).filter(
      (each) => each.controllerId !== found.controllerId || each.where !== found.where,
    );
    draft.found = found.ports.length > 0 ? [...rest, found] : rest;
  },
});

export const setSender = defineEdit({
  schema: z.strictObject({ type: z.literal('setSender'), sender: senderSchema.nullable() }),
  label: (_show, { sender }) => (sender ? `The sender is at ${sender.ip}` : 'No sender'),
  apply: (draft, { sender }) => {
    if (sender) draft.sender = sender;
    else delete draft.sender;
  },
});
