<script
    setup
    lang="ts"
    generic="
        Finding extends { kind: string; severity: 'hint' | 'warning' | 'serious'; at: string; reason: string; remedy: { action: string; label: string } | null }
    "
>
/** What is wrong in a bar, each with its one action where there is one. */
defineProps<{ findings: readonly Finding[] }>();
defineEmits<{ mend: [finding: Finding] }>();

const SEVERITY = { hint: 'Hint', warning: 'Take care', serious: 'Serious' } as const;
</script>

<template>
    <section>
        <h3>Findings</h3>
        <p v-if="findings.length === 0" class="quiet">Nothing to mend here.</p>
        <article v-for="finding in findings" :key="finding.kind + finding.at + finding.reason" :class="['finding', finding.severity]">
            <p>
                <span class="severity">{{ SEVERITY[finding.severity] }}</span> {{ finding.reason }}
            </p>
            <a-button v-if="finding.remedy" size="small" @click="$emit('mend', finding)">{{ finding.remedy.label }}</a-button>
        </article>
    </section>
</template>

<style scoped>
p {
    margin: 0;
}
</style>
