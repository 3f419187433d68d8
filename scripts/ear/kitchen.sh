#!/usr/bin/env bash
# kitchen.sh DIR: noises of a kitchen by Debian's espeak-ng and sox, a minute each, and whistles of pots by sox, all
# 16 kHz mono float32, to judge the ear on. They share no code with what it is fitted on, nor with the tests' sounds.
set -e; mkdir -p "$1"; cd "$1"
R="-r 16000 -c 1 -b 32 -e floating-point -t raw"
N="sox -q -R -V1"
T="The onions are nearly golden now. Did you put the rice to soak this morning? I thought we had six cups but the jar is half empty. Pass me the wide spoon please, and watch that the garlic does not burn. She said the train comes at seven, so dinner has to be on the table by half past."
espeak-ng -v en -s 165 -w talk.wav "$T $T $T $T"
$N talk.wav $R noise-talk.raw trim 0 60
espeak-ng -v en+f3 -s 190 -p 70 -w other.wav "$T $T $T $T $T"
$N -m talk.wav other.wav $R noise-two-talking.raw trim 0 60
rm talk.wav other.wav
$N -n $R noise-sizzle.raw synth 60 whitenoise highpass 2500 tremolo 7 60 tremolo 0.3 50 gain -3
$N -n $R noise-tap.raw synth 20 whitenoise bandpass 3000 2000h fade 0.5 20 0.5 pad 8 4 repeat 1 trim 0 60
$N -n $R noise-music.raw synth 0.5 pluck C4 synth 0.5 pluck mix E4 repeat 119 trim 0 60
$N -n $R noise-clatter.raw synth 0.08 whitenoise fade 0 0.08 0.06 highpass 1800 gain -3 pad 0 0.55 repeat 99 trim 0 60
$N -n $R noise-extractor.raw synth 60 brownnoise synth 60 square mix 100 tremolo 0.2 15 gain -6
$N -n $R noise-rain.raw synth 60 pinknoise highpass 900 tremolo 0.7 30 gain -6
$N -n $R noise-mixer.raw synth 7 sawtooth 180:240 synth 7 whitenoise mix lowpass 4000 fade 0.3 7 0.2 pad 4 5 repeat 3 trim 0 60 gain -8
$N -n $R noise-telephone.raw synth 1 square 1450 tremolo 22 90 synth 1 sine mix 1800 fade 0 1 0.01 pad 0 2 repeat 19 trim 0 60 gain -10
$N -n $R noise-beeps.raw synth 0.5 sine 2050 fade 0 0.5 0.005 pad 0 0.5 repeat 4 pad 5 5 repeat 3 trim 0 60 gain -10
$N -n $R noise-timer.raw synth 0.09 sine 3900 pad 0 0.06 repeat 3 pad 0 0.5 repeat 53 trim 0 60 gain -10
$N -n $R noise-kettle.raw synth 30 sine 2300:2650 synth 30 whitenoise mix bandpass 2600 900h fade 4 30 0.4 pad 12 18 trim 0 60 gain -10
$N -n $R t1.raw synth 0.7 sawtooth D5 fade 0.06 0.7 0.1; $N -n $R t2.raw synth 1.1 sawtooth F#5 fade 0.08 1.1 0.2
$N -n $R t3.raw synth 0.4 sawtooth A5 fade 0.03 0.4 0.1; $N -n $R t4.raw synth 1.6 sawtooth G4 fade 0.1 1.6 0.3
$N $R t1.raw $R t2.raw $R t3.raw $R t4.raw $R t2.raw $R t1.raw $R t4.raw $R t3.raw $R t3.raw $R noise-song.raw lowpass 5000 repeat 8 trim 0 60 reverb 30 gain -8 remix 1
rm t?.raw
$N -n $R noise-chopping.raw synth 0.03 pinknoise fade 0 0.03 0.025 lowpass 3000 pad 0 0.2 repeat 20 pad 0 2 repeat 8 trim 0 60 gain -2
# Whistles: six pots, three times each; the last 0.8 s of a file are the room's echo.
i=0
for spec in "2600 300 4300 500 2.2" "3300 200 5200 700 4.0" "2100 500 6100 900 3.0" "3900 150 3000 800 1.6" "2900 100 4100 250 5.5" "4800 900 2400 1200 2.6"; do
  set -- $spec; i=$((i + 1))
  for take in 1 2 3; do
    L=$(echo "$5 * (0.9 + 0.1 * $take)" | bc -l); S=$(echo "$L * 0.8" | bc -l)
    $N -n $R a.raw synth "$L" whitenoise bandpass "$1" "$2"h gain 12 bend "0,-$((take * 60)),$S"
    $N -n $R b.raw synth "$L" whitenoise bandpass "$3" "$4"h gain 8 bend "0,-$((take * 90)),$S"
    $N -m $R a.raw $R b.raw $R "whistle-$i-$take.raw" fade t 0.12 "$L" 0.5 tremolo $((6 + i)) 25 gain -6 pad 0 0.8 reverb $((i * 12)) remix 1
  done
done
rm -f a.raw b.raw
