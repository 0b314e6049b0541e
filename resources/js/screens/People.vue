<script setup lang="ts">
import { ElAlert, ElButton, ElPopconfirm, ElSkeleton, ElTable, ElTableColumn } from 'element-plus'
import { onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import type { Invitation, Member, People } from '../api/types'
import { useAttempt } from '../components/attempt'
import OnceAddress from '../components/OnceAddress.vue'
import TopBar from '../components/TopBar.vue'
import RoleChoice, { type Chosen } from '../staff/RoleChoice.vue'
import { roleWords } from '../staff/words'
import { dayWords } from '../stores/days'

const ensemble = Number(useRoute().params.id)
const people = ref<People | null>(null)
const { fault, attempt } = useAttempt()
const address = ref('')
const asking = ref(false)
const changing = ref<Member | null>(null)

/** One's own password is changed under one's own name. */
const mine = ref('')

async function load(): Promise<void> {
    mine.value ||= (await api.account()).email
    people.value = await api.people(ensemble)
}

const doing = (work: () => Promise<unknown>) => attempt(() => work().then(load))

const ask = (chosen: Chosen) =>
    doing(async () => {
        address.value = (await api.invite(ensemble, chosen)).address
        asking.value = false
    })
const renew = (invitation: Invitation) =>
    doing(async () => {
        address.value = (await api.renewInvitation(invitation.id)).address
    })
const takeBack = (invitation: Invitation) =>
    doing(async () => {
        await api.takeBackInvitation(invitation.id)
        address.value = ''
    })
const change = (member: Member, chosen: Chosen) =>
    doing(async () => {
        await api.changeMember(member.id, chosen)
        changing.value = null
    })
const passwordLink = (member: Member) =>
    doing(async () => {
        address.value = (await api.makePasswordLink(member.id)).address
    })
const letGo = (member: Member) => doing(() => api.letGo(member.id))

function partsWords(ids: number[]): string {
    return (people.value?.pieces ?? []).flatMap(({ title, parts }) => parts.filter(({ id }) => ids.includes(id)).map(({ name }) => `${title}: ${name}`)).join(', ')
}

onMounted(() => attempt(load))
</script>

<template>
    <TopBar says-saving>
        <h1 v-if="people" class="top-title">{{ people.ensemble }}</h1>
        <template #actions>
            <ElButton v-if="people" type="primary" @click="asking = true">Ask somebody in</ElButton>
        </template>
    </TopBar>
    <main class="staff-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ElSkeleton v-if="people === null && !fault" :rows="5" animated />
        <template v-if="people">
            <div v-if="address" class="new-link notice">
                <p><strong>Send this address to them:</strong> it is shown this once, and works once.</p>
                <OnceAddress :address="address" label="Address to hand over" />
            </div>
            <h2>People</h2>
            <ElTable :data="people.members" row-key="id" class="people">
                <ElTableColumn label="Name" min-width="170"><template #default="{ row }">{{ (row as Member).name }}<br><small class="quiet">{{ (row as Member).email }}</small></template></ElTableColumn>
                <ElTableColumn label="Is here as" min-width="180"><template #default="{ row }">{{ roleWords((row as Member).role, (row as Member).decides) }}<br v-if="(row as Member).parts.length"><small v-if="(row as Member).parts.length" class="quiet">{{ partsWords((row as Member).parts) }}</small></template></ElTableColumn>
                <ElTableColumn label="" width="320" align="right">
                    <template #default="{ row }">
                        <ElButton size="small" @click="changing = row as Member">Change</ElButton>
                        <ElPopconfirm v-if="(row as Member).email !== mine" :title="`${(row as Member).name} forgot their password? You get an address to hand over; there they choose a new one.`" width="280" confirm-button-text="Make the address" cancel-button-text="No" @confirm="passwordLink(row as Member)">
                            <template #reference><ElButton size="small">New password</ElButton></template>
                        </ElPopconfirm>
                        <ElPopconfirm :title="`Let ${(row as Member).name} go? What they decided stays; they see this ensemble no more.`" width="260" confirm-button-text="Let go" cancel-button-text="Keep" @confirm="letGo(row as Member)">
                            <template #reference><ElButton size="small">Let go</ElButton></template>
                        </ElPopconfirm>
                    </template>
                </ElTableColumn>
            </ElTable>
            <template v-if="people.invitations.length > 0">
                <h2>Asked in</h2>
                <ElTable :data="people.invitations" row-key="id" class="invitations">
                    <ElTableColumn label="E-mail" min-width="170" prop="email" />
                    <ElTableColumn label="As" min-width="180"><template #default="{ row }">{{ roleWords((row as Invitation).role, (row as Invitation).decides) }}<br><small class="quiet">until {{ dayWords((row as Invitation).expires) }}</small></template></ElTableColumn>
                    <ElTableColumn label="" width="240" align="right">
                        <template #default="{ row }">
                            <ElButton size="small" @click="renew(row as Invitation)">New address</ElButton>
                            <ElButton size="small" @click="takeBack(row as Invitation)">Take back</ElButton>
                        </template>
                    </ElTableColumn>
                </ElTable>
            </template>
            <h2>Who may do what</h2>
            <dl class="may">
                <template v-for="{ role, decides, what } in people.may" :key="`${role} ${decides}`"><dt>{{ roleWords(role, decides) }}</dt><dd>{{ what.join('; ') }}</dd></template>
                <dt>Student</dt><dd>opens a link to one part, without an account</dd>
            </dl>
            <RoleChoice v-if="asking" title="Ask somebody in" button="Make the invitation" :pieces="people.pieces" :may="people.may" asks-email @close="asking = false" @choose="ask" />
            <RoleChoice v-if="changing" :title="changing.name" button="Save" :pieces="people.pieces" :may="people.may" :member="changing" @close="changing = null" @choose="(chosen) => changing && change(changing, chosen)" />
        </template>
    </main>
</template>
