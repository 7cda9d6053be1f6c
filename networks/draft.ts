version https://git-lfs.github.com/spec/v1
oid sha256:0dce744e5223bb3621f5e0112c258022be63aefbbec0a1824b26e1c27f1d7f9d
size 8621032
